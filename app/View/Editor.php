<?php

declare(strict_types=1);

namespace App\View;

use DuskRail\Document\PartCatalogue;
use Illuminate\Support\Facades\View;

/**
 * An editor of the study page: known by its id, so that the page can show the button alone, and fetch what is in the
 * editor once it is opened.
 */
final readonly class Editor
{
    /** What buttons say, where the title of the part says too little there. */
    private const LABELS = [
        'lines' => 'Compare',
        'rule' => 'Focus rule',
        'peers' => 'Peers',
        'style' => 'Style',
        'marks' => 'Annotations',
        'overlay' => 'Overlay options',
        'stack' => 'Stack options',
        'contributions' => 'Contribution options',
        'sparks' => 'Table options',
        'figures' => 'Table options',
        'scatter' => 'Scatter options',
        'panels' => 'Panel options',
        'variation' => 'Variation',
    ];

    /** @return list<string> what buttons of editors can say, parts of a study by their titles */
    public static function labels(): array
    {
        return [
            ...array_values(self::LABELS),
            ...array_values(array_map(static fn(string $part): string => $part::title(), PartCatalogue::all())),
        ];
    }

    /**
     * @param view-string $template
     * @param array<string, mixed> $with what its template needs beside the screen
     */
    private function __construct(
        public string $id,
        public string $label,
        /** @var view-string */
        public string $template,
        public array $with = [],
        public bool $isMenu = false,
    ) {}

    /** Null where the study has no such editor in this view. */
    public static function of(StudyScreen $screen, string $id): ?self
    {
        [$kind, $name] = [...explode('-', $id, 2), ''];

        return match (true) {
            $id === 'editor-origin' => new self($id, 'Measure', 'study.editors.origin'),
            $id === 'editor-add' => new self($id, 'Add a calculation', 'study.editors.add', isMenu: true),
            $id === 'steps' => new self($id, 'History', 'study.editors.steps', isMenu: true),
            $id === 'hand-over' => new self($id, 'Hand over', 'study.editors.hand-over', isMenu: true),
            $kind === 'editor' => self::ofStop($screen, $id, $name),
            $kind === 'set' => self::ofPart($screen, $id, $name),
            default => null,
        };
    }

    /** What the button says that opens the settings of a part. */
    public static function label(string $part): string
    {
        return self::LABELS[$part] ?? PartCatalogue::named($part)::title();
    }

    private static function ofStop(StudyScreen $screen, string $id, string $name): ?self
    {
        foreach ($screen->railed->run->steps as $step) {
            if ($step->placed->id === $name) {
                return new self($id, $step->placed->stop::title(), 'study.editors.stop', ['step' => $step]);
            }
        }

        return null;
    }

    private static function ofPart(StudyScreen $screen, string $id, string $name): ?self
    {
        $part = PartCatalogue::all()[$name] ?? null;
        if ($part === null && $name !== 'style') {
            return null;
        }
        /** @var view-string $own */
        $own = "study.editors.{$name}";
        $template = View::exists($own) ? $own : 'study.editors.part';

        return new self($id, self::label($name), $template, ['part' => $part]);
    }
}
