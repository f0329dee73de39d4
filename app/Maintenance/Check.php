<?php

declare(strict_types=1);

namespace App\Maintenance;

use DuskRail\Document\StudyDocument;
use DuskRail\Refusal;
use Illuminate\Database\Connection;

/** Whether a database is whole, and holds to what the program relies on. */
final readonly class Check
{
    /** Each is a question for rows that should not be, with what they mean. */
    private const RULES = [
        'a data set whose version does not match its latest file' =>
            'select d.id from datasets d where d.version <> coalesce((select max(f.version) from imported_files f ' .
            'where f.dataset_id = d.id), 0)',
        'two files of one version' =>
            'select dataset_id from imported_files group by dataset_id, version having count(*) > 1',
        'two series in force for one entity and measure' =>
            'select measure_id from series where until is null ' .
            'group by measure_id, entity_id, cell having count(*) > 1',
        'two series that hold at one time' =>
            'select id from (select id, since, lag(coalesce(until, 9e18)) over ' .
            '(partition by measure_id, entity_id, cell order by since, id) as before from series) where before > since',
        'a series that ends before it begins' => 'select id from series where until is not null and until <= since',
        'a series of a version that is not there' =>
            'select s.id from series s join measures m on m.id = s.measure_id join datasets d on d.id = m.dataset_id ' .
            'where s.since > d.version',
        'an entity and a measure of two data sets in one series' =>
            'select s.id from series s join measures m on m.id = s.measure_id join entities e on e.id = s.entity_id ' .
            'where m.dataset_id <> e.dataset_id',
        'values not stored as bytes, or of an impossible length' =>
            'select id from series where typeof("values") <> \'blob\' or length("values") % 8 <> 0 or ' .
            'length(statuses) not in (0, length("values")) or length(places) not in (0, length("values"))',
        'a study without a revision of its own' =>
            'select s.id from studies s left join study_revisions r on r.id = s.revision_id and r.study_id = s.id ' .
            'where r.id is null',
        'a study pinned to a version that does not exist' =>
            'select s.id from studies s join datasets d on d.id = s.dataset_id where s.version > d.version',
        'a description of an entity that ends before it begins' =>
            'select entity_id from entity_histories where until <= since',
        'a description of a measure that ends before it begins' =>
            'select measure_id from measure_histories where until <= since',
        'two descriptions of an entity that hold at one time' =>
            'select entity_id from (select entity_id, since, lag(until) over (partition by entity_id ' .
            'order by since, id) as before from entity_histories) where before > since',
        'a study pinned to a description that does not exist' =>
            'select s.id from studies s join datasets d on d.id = s.dataset_id where s.described > d.described',
        'more than one home in a data set' =>
            'select dataset_id from entities where home = 1 group by dataset_id having count(*) > 1',
    ];

    public function __construct(private Connection $database) {}

    /** @return list<string> what is wrong, in words; nothing where all is well */
    public function problems(): array
    {
        $wrong = [];
        foreach (self::rows($this->database, 'pragma integrity_check') as [$said]) {
            if ($said !== 'ok') {
                $wrong[] = "The file is damaged: {$said}.";
            }
        }
        foreach (self::rows($this->database, 'pragma foreign_key_check') as [$table, $row, $parent]) {
            $wrong[] = "Row {$row} of {$table} belongs to a row of {$parent} that is not there.";
        }

        // A damaged file answers nothing else that could be relied on.
        return $wrong === [] ? [...$this->broken(), ...$this->unreadable()] : $wrong;
    }

    /** @return list<string> */
    private function broken(): array
    {
        $wrong = [];
        foreach (self::RULES as $what => $question) {
            $numbers = array_column(self::rows($this->database, $question), 0);
            if ($numbers !== []) {
                $some = implode(', ', array_slice($numbers, 0, 5)) . (count($numbers) > 5 ? ' …' : '');
                $wrong[] = "Found: {$what} (number {$some}).";
            }
        }

        return $wrong;
    }

    /** @return list<string> studies whose document the program cannot read */
    private function unreadable(): array
    {
        $wrong = [];
        $question = 'select s.id, r.document from studies s join study_revisions r on r.id = s.revision_id';
        foreach (self::rows($this->database, $question) as [$number, $text]) {
            try {
                $document = json_decode($text, true);
                StudyDocument::read(is_array($document) ? $document : []);
            } catch (Refusal $problem) {
                $wrong[] = "Study {$number} cannot be read: {$problem->getMessage()}";
            }
        }

        return $wrong;
    }

    /** @return list<list<string>> what a question answers, as texts */
    public static function rows(Connection $database, string $question): array
    {
        $rows = [];
        foreach ($database->select($question) as $row) {
            $rows[] = array_map(
                static fn(mixed $value): string => is_scalar($value) ? (string) $value : '',
                array_values((array) $row),
            );
        }

        return $rows;
    }
}
