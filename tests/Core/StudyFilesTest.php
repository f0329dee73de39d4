<?php

declare(strict_types=1);

namespace Tests\Core;

use DomainException;
use DuskRail\Document\InvalidStudy;
use DuskRail\Document\StudyDocument;
use DuskRail\Outcome\Comparison;
use DuskRail\Rail\StopCatalogue;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;

/** Study files as they may come from anywhere: broken in ten thousand ways, each accepted or refused with its path. */
final class StudyFilesTest extends TestCase
{
    private const STRANGE = [
        null,
        true,
        false,
        0,
        -1,
        7,
        1e300,
        '',
        'x',
        '<b>',
        "\u{0}",
        '2019..2018',
        [],
        ['x'],
        ['x' => 1],
        [[]],
        'none',
        '#-9',
        'y:2020',
        '{change}',
    ];

    #[Group('slow')]
    public function testTenThousandMutationsAreAcceptedWithAResultOrRefusedWithAPath(): void
    {
        mt_srand(30);
        $data = Make::leakage();
        $study = Make::study(
            $data,
            StopCatalogue::make('per-denominator', ['measure' => 'connections']),
            StopCatalogue::make('rolling', ['window' => 3]),
            StopCatalogue::make('index', ['base' => '2019']),
        );
        $document = json_decode((string) json_encode(StudyDocument::write($study)), true);
        self::assertIsArray($document);
        $accepted = $refused = 0;
        for ($round = 0; $round < 10_000; $round++) {
            $mutant = $document;
            for ($i = mt_rand(1, 3); $i > 0; $i--) {
                $mutant = self::mutated($mutant);
            }
            try {
                $read = StudyDocument::read($mutant);
                self::assertEquals(
                    $read,
                    StudyDocument::read((array) json_decode((string) json_encode(StudyDocument::write($read)), true)),
                );
                $accepted++;
            } catch (InvalidStudy $problem) {
                self::assertMatchesRegularExpression('/^[a-zA-Z][\w.:]*: ./', $problem->getMessage());
                $refused++;
                continue;
            }
            if ($round % 20 === 0) {
                try {
                    Comparison::of($read, $data);
                } catch (DomainException $problem) {
                    self::assertGreaterThan(15, strlen($problem->getMessage()));
                }
            }
        }
        self::assertGreaterThan(1_000, $accepted);
        self::assertGreaterThan(3_000, $refused);
    }

    /**
     * One value somewhere within replaced, left out, or doubled.
     *
     * @param array<array-key, mixed> $document
     * @return array<array-key, mixed>
     */
    private static function mutated(array $document): array
    {
        if ($document === []) {
            return self::STRANGE;
        }
        $key = array_rand($document);
        if (is_array($document[$key]) && $document[$key] !== [] && mt_rand(0, 3) > 0) {
            $document[$key] = self::mutated($document[$key]);

            return $document;
        }
        match (mt_rand(0, 3)) {
            0 => ($document = array_diff_key($document, [$key => true])),
            1 => ($document["{$key}2"] = $document[$key]),
            default => ($document[$key] = self::STRANGE[mt_rand(0, count(self::STRANGE) - 1)]),
        };

        return $document;
    }
}
