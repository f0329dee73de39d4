<?php

declare(strict_types=1);

namespace DuskRail\Reading;

/** Which encoding of one byte a text is in, by the letters that its bytes come to: Cyrillic words, Polish or Czech ones. */
final class ByteEncoding
{
    /** Names as they are shown, and as iconv knows them. */
    public const ICONV = [
        'Windows-1252' => 'CP1252',
        'Windows-1250' => 'CP1250',
        'Windows-1251' => 'CP1251',
        'Windows-1253' => 'CP1253',
        'Windows-1254' => 'CP1254',
        'KOI8-R' => 'KOI8-R',
        'Mac Roman' => 'MACINTOSH',
    ];

    /** Words with a letter of Central Europe that in Western Europe is a sign, as ł is ³: `m³` and `£m` are no words. */
    private const CENTRAL = '/\b(?=\p{L}*[łążŁĄŻľĽ])\p{L}{4,}\b/u';

    /** Of letters outside ASCII those that must be Cyrillic. */
    private const SHARE = 0.8;

    private const SAMPLE = 60_000;

    public static function of(string $bytes): string
    {
        $bytes = substr($bytes, 0, self::SAMPLE);
        if (preg_match_all('/[\x80-\xFF]/', $bytes) < 2) {
            return 'Windows-1252';
        }
        // In Cyrillic texts whole words are of such letters, small ones after the first.
        foreach (['Windows-1251', 'KOI8-R'] as $encoding) {
            $text = self::decoded($bytes, $encoding);
            $words = (int) preg_match_all('/\b\p{Cyrillic}?[а-яёіїєґў]{2,}\b/u', $text, $m);
            $letters = mb_strlen(implode('', $m[0]));
            if ($words >= 2 && $letters >= self::SHARE * (int) preg_match_all('/[^\x00-\x7F]/u', $text)) {
                return $encoding;
            }
        }
        $words = (int) preg_match_all(self::CENTRAL, self::decoded($bytes, 'Windows-1250'));

        return $words >= 2 ? 'Windows-1250' : 'Windows-1252';
    }

    /** What bytes are in an encoding; what cannot be is left out. */
    public static function decoded(string $bytes, string $encoding): string
    {
        return (string) iconv((self::ICONV[$encoding] ?? $encoding), 'UTF-8//IGNORE', $bytes);
    }
}
