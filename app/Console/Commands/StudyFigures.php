<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Formats\FiguresCsv;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Line;
use DuskRail\Refusal;
use DuskRail\Views\Views;
use Symfony\Component\Console\Output\OutputInterface;

final class StudyFigures extends StudyCommand
{
    protected $signature = 'study:figures {study : number or name} {--json : for scripts; CSV otherwise}';

    protected $description = 'Calculate a study and write its values to standard output';

    public function handle(): int
    {
        $study = $this->study();
        if ($study === null) {
            return self::INVALID;
        }
        try {
            $comparison = Comparison::of($study->document(), $study->data());
            $view = Views::of($comparison->study);
            $lineup = $view->lineup($comparison);
        } catch (Refusal $problem) {
            $this->error($problem->getMessage());

            return self::FAILURE;
        }
        if ($this->option('json') !== true) {
            $this->output->write(
                FiguresCsv::write(
                    $lineup,
                    $view->wording($comparison, $study->sourceLine()),
                    $view->values($comparison),
                ),
                false,
                OutputInterface::OUTPUT_RAW,
            );

            return self::SUCCESS;
        }
        $places = range($lineup->from, $lineup->to);
        $this->json([
            'study' => $study->name,
            'unit' => $lineup->unit->text(),
            'periods' => array_map($lineup->code(...), $places),
            'lines' => array_map(
                static fn(Line $line): array => [
                    'line' => $line->key,
                    'name' => $line->name,
                    'state' => $line->state->value,
                    'values' => array_map(
                        static fn(int $i): ?float => is_nan($line->values[$i]) ? null : $line->values[$i],
                        $places,
                    ),
                ],
                $lineup->present(),
            ),
        ]);

        return self::SUCCESS;
    }
}
