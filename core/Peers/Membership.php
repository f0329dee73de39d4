<?php

declare(strict_types=1);

namespace DuskRail\Peers;

use DuskRail\Data\DataSource;
use DuskRail\Data\Entity;
use DuskRail\Data\Nearness;
use DuskRail\Data\Numerals;
use DuskRail\Data\PeerCondition;
use DuskRail\Data\PeerSetRules;
use DuskRail\Data\UnknownMeasure;
use DuskRail\Statistics\RobustScale;

/**
 * Who is in a peer set, who is not, and why.
 *
 * Summaries of others are in none, nor is who has had no value for more than a year: a merged utility is no peer of
 * those that go on. The distance of two entities is the root of the weighted mean of their squared differences in each
 * characteristic, on a RobustScale; an attribute in words differs by 1 or not at all. What is not known of an entity is
 * left out of its mean; who is unknown in more than half of the weight is not compared.
 */
final readonly class Membership
{
    /** @param list<Candidate> $candidates those that are in first, the nearest before the others */
    private function __construct(
        public PeerSetRules $rules,
        public array $candidates,
        private Characteristics $like,
        private string $to,
    ) {}

    /** @param string $measure key of the measure that is compared, whose values must be there */
    public static function of(PeerSetRules $rules, DataSource $data, string $measure): self
    {
        $like = new Characteristics($data);
        try {
            $table = $data->table($measure);
        } catch (UnknownMeasure) {
            $table = null;
        }
        $coverage = new Coverage($table);
        $subject = $rules->nearest->to ?? '';
        $asksNearness = $rules->nearest !== null && $rules->frozen === null;
        $open = [];
        $candidates = [];
        foreach ($data->entities() as $key => $entity) {
            $key = (string) $key;
            $values = self::valuesOf($rules, $like, $key);
            $why = self::against($rules, $entity, $coverage, $like);
            $isSubject = $rules->nearest !== null && $key === $subject;
            $fits = $why === '' || $isSubject;
            if ($fits && !$isSubject && $asksNearness) {
                $open[$key] = $entity;
                continue;
            }
            $candidates[$key] = new Candidate(
                $key,
                $entity->name,
                $fits,
                $fits ? ($isSubject ? 'the one that the others are like' : self::homeNote($entity)) : $why,
                $values,
            );
        }
        if ($rules->nearest !== null && $open !== []) {
            $candidates += self::nearest($rules->nearest, $open, $like);
        }

        return new self(
            $rules,
            self::sorted(array_values($candidates), $subject),
            $like,
            $data->entities()[$subject]->name ?? '',
        );
    }

    /**
     * Members first, the nearest before the others, the one they are near to at the top.
     *
     * @param list<Candidate> $candidates
     * @return list<Candidate>
     */
    private static function sorted(array $candidates, string $subject): array
    {
        usort(
            $candidates,
            static fn(Candidate $a, Candidate $b): int => [
                !$a->isIn,
                $a->distance === null && $a->key !== $subject,
                $a->distance,
            ] <=> [!$b->isIn, $b->distance === null && $b->key !== $subject, $b->distance],
        );

        return $candidates;
    }

    private static function homeNote(Entity $entity): string
    {
        return $entity->home ? 'home, compared with the set' : '';
    }

    /** @return list<string> keys of all that belong to the set, home and the one that others are like among them */
    public function members(): array
    {
        return array_values(
            array_map(
                static fn(Candidate $c): string => $c->key,
                array_filter($this->candidates, static fn(Candidate $c): bool => $c->isIn),
            ),
        );
    }

    /** What the set is, as a sentence. */
    public function inWords(): string
    {
        $rules = $this->rules;
        $conditions = array_map($this->condition(...), $rules->conditions);
        foreach (PeerRules::of($rules) as $rule) {
            $conditions[] = $rule->inWords();
        }
        $with = self::listed($conditions);
        $nearest = $rules->nearest;
        $text = match (true) {
            $rules->hand !== null => 'Chosen by hand',
            $nearest !== null => "The {$nearest->count} nearest to {$this->to} by " .
                self::listed(
                    array_map(
                        fn(string $of, float $weight): string => mb_strtolower($this->like->name($of)) .
                            ($weight === 1.0 ? '' : ' × ' . Numerals::plain($weight)),
                        array_keys($nearest->weights),
                        $nearest->weights,
                    ),
                ) .
                ($with === '' ? '' : ", of those with {$with}"),
            $with === '' => 'All',
            default => "All with {$with}",
        };

        return $text . ($rules->frozen === null ? '.' : ', kept as they were found.');
    }

    /** The name of a characteristic on screen. */
    public function nameOf(string $characteristic): string
    {
        return $this->like->name($characteristic);
    }

    private function condition(PeerCondition $condition): string
    {
        $name = mb_strtolower($this->like->name($condition->of));
        $number = static fn(float $v): string => Numerals::text(
            $v,
            strlen(substr((string) strrchr(Numerals::plain($v), '.'), 1)),
        );
        [$from, $to] = [$condition->from, $condition->to];

        return match (true) {
            $condition->among !== [] => "{$name} " . implode(' or ', $condition->among),
            $from !== null && $to !== null => "{$name} from {$number($from)} to {$number($to)}",
            $from !== null => "{$name} of at least {$number($from)}",
            default => "{$name} of at most {$number($to ?? 0.0)}",
        };
    }

    /** @param list<string> $parts */
    private static function listed(array $parts): string
    {
        $last = array_pop($parts) ?? '';

        return $parts === [] ? $last : implode(', ', $parts) . " and {$last}";
    }

    /** @return array<string, float|string|null> */
    private static function valuesOf(PeerSetRules $rules, Characteristics $like, string $key): array
    {
        $values = [];
        foreach ([...array_column($rules->conditions, 'of'), ...array_keys($rules->nearest->weights ?? [])] as $of) {
            $values[$of] = $like->of($of)[$key] ?? null;
        }

        return $values;
    }

    /** What keeps an entity out, before nearness is asked for; nothing where nothing does. */
    private static function against(
        PeerSetRules $rules,
        Entity $entity,
        Coverage $coverage,
        Characteristics $like,
    ): string {
        if ($entity->isApart()) {
            return $entity->partOf === '' ? 'a benchmark' : "merged into {$entity->partOf}";
        }
        $chosen = $rules->hand ?? $rules->frozen;
        if ($chosen !== null && !in_array($entity->key, $chosen, true)) {
            return $rules->hand !== null ? 'not chosen' : 'not in the set when it was kept';
        }
        $ended = $coverage->ended($entity->key);
        if ($ended !== '' || $chosen !== null) {
            return $ended;
        }
        $unmet = self::unmet($rules, $entity, $like);
        foreach ($unmet === '' ? PeerRules::of($rules) : [] as $rule) {
            $refusal = $rule->refusal($entity->key, $coverage);
            if ($refusal !== '') {
                return $refusal;
            }
        }

        return $unmet;
    }

    /** The first condition that an entity does not meet, with its value; empty if it meets all. */
    private static function unmet(PeerSetRules $rules, Entity $entity, Characteristics $like): string
    {
        foreach ($rules->conditions as $condition) {
            $value = $like->of($condition->of)[$entity->key] ?? null;
            if (!$condition->admits($value)) {
                return mb_strtolower($like->name($condition->of)) .
                    ($value === null
                        ? ' is not known'
                        : ' is ' . (is_string($value) ? $value : Numerals::text($value, Numerals::decimals([$value]))));
            }
        }

        return '';
    }

    /**
     * @param array<string, Entity> $open those that could be peers
     * @return array<string, Candidate>
     */
    private static function nearest(Nearness $nearness, array $open, Characteristics $like): array
    {
        $parts = self::parts($nearness, array_keys($open), $like);
        $distances = [];
        foreach (array_keys($open) as $key) {
            $distance = self::distance($nearness, $parts[$key] ?? []);
            if ($distance !== null) {
                $distances[$key] = $distance;
            }
        }
        asort($distances);
        $in = array_slice($distances, 0, $nearness->count, true);
        $candidates = [];
        foreach ($open as $key => $entity) {
            $known = $parts[$key] ?? [];
            $unknown = array_map(
                static fn(string $of): string => mb_strtolower($like->name($of)),
                array_keys(array_diff_key($nearness->weights, $known)),
            );
            $values = [];
            foreach (array_keys($nearness->weights) as $of) {
                $values[$of] = $like->of($of)[$key] ?? null;
            }
            $candidates[$key] = new Candidate(
                (string) $key,
                $entity->name,
                isset($in[$key]),
                match (true) {
                    !isset($distances[$key]) => 'too little is known: no ' . self::listed($unknown),
                    $unknown !== [] => 'compared without ' . self::listed($unknown),
                    default => '',
                },
                $values,
                $known,
                $distances[$key] ?? null,
            );
        }

        return $candidates;
    }

    /**
     * How far entities are from the one, in each characteristic that is known of both.
     *
     * @param list<int|string> $keys
     * @return array<array-key, array<string, float>> by entity and characteristic
     */
    private static function parts(Nearness $nearness, array $keys, Characteristics $like): array
    {
        $parts = [];
        foreach (array_keys($nearness->weights) as $of) {
            $values = $like->of($of);
            $own = $values[$nearness->to] ?? null;
            $compared = array_intersect_key($values, array_flip([...$keys, $nearness->to]));
            $scale = RobustScale::of(array_values(array_filter($compared, is_float(...))));
            foreach ($keys as $key) {
                $value = $values[$key] ?? null;
                if ($own !== null && $value !== null) {
                    $parts[$key][$of] =
                        is_float($own) && is_float($value)
                            ? abs($scale->at($value) - $scale->at($own))
                            : ($own === $value
                                ? 0.0
                                : 1.0);
                }
            }
        }

        return $parts;
    }

    /**
     * @param array<string, float> $parts
     * @return float|null null where too little is known
     */
    private static function distance(Nearness $nearness, array $parts): ?float
    {
        $known = array_intersect_key($nearness->weights, $parts);
        if (array_sum($known) * 2.0 < array_sum($nearness->weights)) {
            return null;
        }
        $sum = 0.0;
        foreach ($known as $of => $weight) {
            $sum += $weight * $parts[$of] ** 2;
        }

        return sqrt($sum / array_sum($known));
    }
}
