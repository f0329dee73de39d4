<?php

declare(strict_types=1);

namespace DuskRail\Data;

/**
 * A peer set of a data set, as it was defined: by hand, by conditions, or as those nearest to one entity. Who is in it,
 * Peers\Membership calculates.
 */
final readonly class PeerSetRules
{
    /** Entities that can be nearest to one. */
    public const MOST = 500;

    /** What it has itself; all else in a file are requirements. */
    private const OWN = ['key', 'name', 'hand', 'conditions', 'nearest', 'frozen'];

    /** Conditions, and characteristics that entities are alike in. */
    public const MOST_RULES = 20;

    /**
     * @param list<string>|null $hand keys of its members, where they were chosen by hand; null where rules find them
     * @param list<PeerCondition> $conditions that all its members meet
     * @param array<array-key, mixed> $requirements settings of Peers\PeerRules, by name
     * @param list<string>|null $frozen its members as they were found once; null where they are found again
     */
    public function __construct(
        public string $key,
        public string $name,
        public ?array $hand = null,
        public array $conditions = [],
        public array $requirements = [],
        public ?Nearness $nearest = null,
        public ?array $frozen = null,
    ) {}

    /** What follows “the 12 peers”: ` like Veldmere`, ` in Coastal towns`. */
    public function among(): string
    {
        return $this->nearest !== null && preg_match('/^like /i', $this->name) === 1
            ? ' ' . lcfirst($this->name)
            : " in {$this->name}";
    }

    /** @param list<string>|null $members */
    public function frozenAs(?array $members): self
    {
        return new self(
            $this->key,
            $this->name,
            $this->hand,
            $this->conditions,
            $this->requirements,
            $this->nearest,
            $members,
        );
    }

    /** @return array<array-key, mixed> as from() takes it */
    public function toArray(): array
    {
        return [
            'key' => $this->key,
            'name' => $this->name,
            'hand' => $this->hand,
            'conditions' => array_map(
                static fn(PeerCondition $c): array => array_filter(
                    ['of' => $c->of, 'from' => $c->from, 'to' => $c->to, 'among' => $c->among],
                    static fn(mixed $v): bool => $v !== null && $v !== [],
                ),
                $this->conditions,
            ),
            ...$this->requirements,
            'nearest' =>
                $this->nearest === null
                    ? null
                    : [
                        'to' => $this->nearest->to,
                        'count' => $this->nearest->count,
                        'weights' => $this->nearest->weights,
                    ],
            'frozen' => $this->frozen,
        ];
    }

    /**
     * @param array<array-key, mixed> $given
     *
     * @throws InvalidPeerSet
     */
    public static function from(array $given): self
    {
        $name = trim(self::text($given['name'] ?? ''));
        if ($name === '' || mb_strlen($name) > 80) {
            throw InvalidPeerSet::because('Enter a name for the peer set, of at most 80 characters.');
        }
        $hand = $given['hand'] ?? null;
        $nearest = $given['nearest'] ?? null;
        $frozen = $given['frozen'] ?? null;

        return new self(
            self::text($given['key'] ?? ''),
            $name,
            is_array($hand) ? self::texts($hand) : null,
            self::conditions(self::list($given['conditions'] ?? [])),
            array_diff_key($given, array_flip(self::OWN)),
            is_array($nearest) ? self::nearness($nearest) : null,
            is_array($frozen) ? self::texts($frozen) : null,
        );
    }

    /**
     * @param array<array-key, mixed> $given
     * @return list<PeerCondition>
     */
    private static function conditions(array $given): array
    {
        if (count($given) > self::MOST_RULES) {
            throw InvalidPeerSet::because('A peer set can have at most ' . self::MOST_RULES . ' conditions.');
        }

        return array_values(
            array_map(static fn(mixed $one): PeerCondition => self::condition(self::list($one)), $given),
        );
    }

    /** @param array<array-key, mixed> $given */
    private static function condition(array $given): PeerCondition
    {
        $of = self::characteristic($given['of'] ?? '');
        [$from, $to] = [self::bound($of, $given['from'] ?? ''), self::bound($of, $given['to'] ?? '')];
        $among = self::texts(self::list($given['among'] ?? []));
        if ($from === null && $to === null && $among === []) {
            throw InvalidPeerSet::because(
                'A condition needs a lowest or a highest value, or at least one value to choose from.',
            );
        }
        if ($from !== null && $to !== null && $from > $to) {
            throw InvalidPeerSet::because('The lowest value of a condition is above its highest. Swap the two.');
        }

        return new PeerCondition($of, $from, $to, $among);
    }

    /** @throws InvalidPeerSet */
    private static function bound(string $of, mixed $value): ?float
    {
        if ($value === '') {
            return null;
        }

        return (is_int($value) || is_float($value) ? (float) $value : Numerals::read(self::text($value))) ??
            throw InvalidPeerSet::because(
                'The bounds of “' . substr((string) strstr($of, ':'), 1) . '” must be numbers.',
            );
    }

    /** @param array<array-key, mixed> $given */
    private static function nearness(array $given): Nearness
    {
        $count = $given['count'] ?? 0;
        $weights = [];
        foreach (self::list($given['weights'] ?? []) as $of => $weight) {
            $number = is_numeric($weight) ? (float) $weight : Numerals::read(self::text($weight)) ?? NAN;
            if (is_nan($number) || $number <= 0.0 || $number > 1000.0) {
                throw InvalidPeerSet::because('A weight must be a number above 0, at most 1,000.');
            }
            $weights[self::characteristic($of)] = $number;
        }
        if (count($weights) > self::MOST_RULES) {
            throw InvalidPeerSet::because(
                'Entities can be compared in at most ' . self::MOST_RULES . ' characteristics.',
            );
        }
        if ($weights === []) {
            throw InvalidPeerSet::because('Choose at least one measure or attribute by which entities are alike.');
        }
        if (!is_numeric($count) || (int) $count < 1 || (int) $count > self::MOST) {
            throw InvalidPeerSet::because('The number of nearest entities must be from 1 to ' . self::MOST . '.');
        }

        return new Nearness(self::text($given['to'] ?? ''), (int) $count, $weights);
    }

    private static function characteristic(mixed $of): string
    {
        $of = self::text($of);

        return preg_match('/^(measure|about):./u', $of) === 1
            ? $of
            : throw InvalidPeerSet::because('Choose a measure or an attribute for each condition.');
    }

    private static function text(mixed $value): string
    {
        return is_scalar($value) ? (string) $value : '';
    }

    /** @return array<array-key, mixed> */
    private static function list(mixed $value): array
    {
        return is_array($value) ? $value : [];
    }

    /**
     * @param array<array-key, mixed> $values
     * @return list<string>
     */
    private static function texts(array $values): array
    {
        return array_values(
            array_unique(array_filter(array_map(self::text(...), $values), static fn(string $t): bool => $t !== '')),
        );
    }
}
