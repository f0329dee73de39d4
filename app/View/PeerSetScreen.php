<?php

declare(strict_types=1);

namespace App\View;

use App\Data\StoredData;
use App\Models\Dataset;
use DuskRail\Data\Entity;
use DuskRail\Data\InvalidPeerSet;
use DuskRail\Data\Numerals;
use DuskRail\Data\PeerSetRules;
use DuskRail\Peers\Candidate;
use DuskRail\Peers\Characteristics;
use DuskRail\Peers\Membership;
use DuskRail\Peers\PeerRules;
use DuskRail\Settings\Field;

/** The form of a peer set, and who is in the set as the form has it. */
final readonly class PeerSetScreen
{
    /** Rows that the form has at least, for conditions and for what entities are alike in. */
    private const ROWS = 4;

    /** @param array<string, string> $characteristics name by key */
    private function __construct(
        public Dataset $dataset,
        public PeerSetRules $rules,
        public Membership $membership,
        public array $characteristics,
        public StoredData $data,
        public string $measure,
    ) {}

    public static function of(Dataset $dataset, PeerSetRules $rules, string $measure): self
    {
        $data = new StoredData($dataset);
        $measure = isset($data->measures()[$measure]) ? $measure : (string) array_key_first($data->measures());

        return new self(
            $dataset,
            $rules,
            Membership::of($rules, $data, $measure),
            (new Characteristics($data))->all(),
            $data,
            $measure,
        );
    }

    /**
     * A set as the form sends it; rows that say nothing are left out.
     *
     * @param array<array-key, mixed> $input
     *
     * @throws InvalidPeerSet
     */
    public static function read(array $input): PeerSetRules
    {
        $kind = $input['kind'] ?? '';
        $conditions = $weights = [];
        foreach (self::rows($input, 'conditions') as $row) {
            $among = array_filter(array_map(trim(...), explode(';', self::text($row, 'among'))));
            if (self::text($row, 'of') !== '') {
                $conditions[] = [...$row, 'among' => array_values($among)];
            }
        }
        foreach (self::rows($input, 'weights') as $row) {
            if (self::text($row, 'of') !== '') {
                $weights[self::text($row, 'of')] = self::text($row, 'weight') === '' ? 1.0 : $row['weight'];
            }
        }

        return PeerRules::set([
            ...$kind === 'hand' || !is_array($input['settings'] ?? null) ? [] : $input['settings'],
            'key' => self::text($input, 'key'),
            'name' => self::text($input, 'name'),
            'hand' => $kind === 'hand' ? $input['hand'] ?? [] : null,
            'conditions' => $kind === 'hand' ? [] : $conditions,
            'nearest' =>
                $kind === 'nearest'
                    ? [
                        'to' => self::text($input, 'like'),
                        'count' => self::text($input, 'count'),
                        'weights' => $weights,
                    ]
                    : null,
        ]);
    }

    public function kind(): string
    {
        return match (true) {
            $this->rules->hand !== null => 'hand',
            $this->rules->nearest !== null => 'nearest',
            default => 'rules',
        };
    }

    /** @return list<array{of: string, from: string, to: string, among: string}> with empty rows to fill in */
    public function conditions(): array
    {
        $rows = [];
        foreach ($this->rules->conditions as $condition) {
            $rows[] = [
                'of' => $condition->of,
                'from' => $condition->from === null ? '' : Numerals::plain($condition->from),
                'to' => $condition->to === null ? '' : Numerals::plain($condition->to),
                'among' => implode('; ', $condition->among),
            ];
        }
        return self::withEmptyRows($rows, ['of' => '', 'from' => '', 'to' => '', 'among' => '']);
    }

    /** @return list<array{of: string, weight: string}> with empty rows to fill in */
    public function weights(): array
    {
        $rows = [];
        foreach ($this->rules->nearest->weights ?? [] as $of => $weight) {
            $rows[] = ['of' => $of, 'weight' => Numerals::plain($weight)];
        }
        return self::withEmptyRows($rows, ['of' => '', 'weight' => '']);
    }

    /**
     * One row to fill in at least, as far as a set can have another.
     *
     * @template T of array<string, string>
     *
     * @param list<T> $rows
     * @param T $empty
     * @return list<T>
     */
    private static function withEmptyRows(array $rows, array $empty): array
    {
        $count = min(PeerSetRules::MOST_RULES, max(self::ROWS, count($rows) + 1));

        return array_values(array_pad($rows, $count, $empty));
    }

    /** @return list<Field> of the rules that members must meet */
    public function fields(): array
    {
        return PeerRules::fields($this->rules);
    }

    /** @return list<string> characteristics that the table of members has a column of */
    public function columns(): array
    {
        return array_values(
            array_unique([
                ...array_map(static fn($c): string => $c->of, $this->rules->conditions),
                ...array_keys($this->rules->nearest->weights ?? []),
            ]),
        );
    }

    /** @return array<string, string> values by which entities can be told apart, as a hint: `large; medium` */
    public function hints(): array
    {
        $hints = [];
        $like = new Characteristics($this->data);
        foreach (array_keys($this->characteristics) as $of) {
            $texts = array_filter($like->of($of), is_string(...));
            if ($texts !== []) {
                $hints[$of] = implode('; ', array_slice(array_values(array_unique($texts)), 0, 4));
            }
        }

        return $hints;
    }

    /** @return array<string, Entity> that can be chosen by hand */
    public function entities(): array
    {
        return array_filter($this->data->entities(), static fn(Entity $e): bool => !$e->isApart());
    }

    public function value(Candidate $candidate, string $of): string
    {
        $value = $candidate->values[$of] ?? null;

        return match (true) {
            $value === null => '–',
            is_string($value) => $value,
            default => Numerals::text($value, Numerals::decimals([$value])),
        };
    }

    /**
     * @param array<array-key, mixed> $input
     * @return list<array<array-key, mixed>>
     */
    private static function rows(array $input, string $name): array
    {
        $rows = $input[$name] ?? [];

        return array_values(array_filter(is_array($rows) ? $rows : [], is_array(...)));
    }

    /** @param array<array-key, mixed> $input */
    private static function text(array $input, string $name): string
    {
        return is_scalar($input[$name] ?? null) ? trim((string) $input[$name]) : '';
    }
}
