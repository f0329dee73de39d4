<?php

declare(strict_types=1);

namespace DuskRail\Reading;

/** What the lines above a table say of it: its title, the unit of its values, its source. */
final readonly class Preamble
{
    private const SOURCE = '/^(?:data )?(?:source|sources|quelle|quellen|fuente|fonte)\b\s*:?\s*(.*)$/iu';

    private const UNIT =
        '/^(?:unit|units|einheit|unité|unidad)\b\s*:?\s*(.+)$|^(?:figures )?in (?!the\b)(\S.{0,28})$|' .
        '^[(\[]\s*(?:in\s+)?([^()\[\]]{1,60})[)\]]$/iu';

    /**
     * @param string $title of the table, as it is there
     * @param string $measure what the title says is measured
     */
    private function __construct(
        public string $title,
        public string $measure,
        public string $unit,
        public string $source,
    ) {}

    /** @param int|null $heading row of the headings */
    public static function of(Sample $sample, ?int $heading): self
    {
        $title = $unit = $source = '';
        for ($row = 0; $row < ($heading ?? 0); $row++) {
            $cells = array_values(array_filter(array_map(trim(...), $sample->rows[$row])));
            if ($cells === [] || $sample->isNote($row) || count($cells) > 3) {
                continue;
            }
            $text = implode(' ', $cells);
            if (preg_match(self::SOURCE, $text, $m) === 1) {
                $source = $source === '' ? $m[1] : $source;
            } elseif (preg_match(self::UNIT, $text, $m, PREG_UNMATCHED_AS_NULL) === 1) {
                $unit = $unit === '' ? self::unit(implode('', array_slice($m, 1))) : $unit;
            } elseif ($title === '' && preg_match(Vocabulary::REMARK, $text) !== 1) {
                $title = mb_strimwidth($text, 0, 120, '…');
            }
        }
        $heading = Heading::read($title);

        return new self($title, self::measure($heading->name), $unit === '' ? $heading->unit : $unit, $source);
    }

    /** `GWh, unless said otherwise` is GWh; a remark in brackets that is long is no unit. */
    private static function unit(string $text): string
    {
        $text = trim(
            (string) preg_replace('/[,;]\s*(unless|except|if not|rounded|gerundet|wenn nicht|sauf).*$/iu', '', $text),
        );

        return mb_strlen($text) <= 30 && preg_match('/\d{4}/', $text) !== 1 ? $text : '';
    }

    /** Without what it says of the breakdown and of the years: `Repairs, by cause, 2019 to 2024` is of repairs. */
    public static function measure(string $title): string
    {
        $years = '(?:\d{4}(?:\s*(?:-|–|\/|to|bis|and)\s*\d{2,4})?)';
        $title = (string) preg_replace('/^table \S+[.:]?\s+|^tab(?:elle|\.) \S+[.:]?\s+/iu', '', $title);
        do {
            $before = $title;
            $title = (string) preg_replace(
                "/[\\s,:;–-]+(?:(?:in|for|of|from|im|von) )?{$years}$|[\\s,]+(?:by|nach|par) [\\p{L} ,]+$/iu",
                '',
                $title,
            );
        } while ($title !== $before);

        return trim($title, ' ,:;–-');
    }
}
