<?php

declare(strict_types=1);

namespace Tests\Architecture;

use PHPat\Selector\Selector;
use PHPat\Selector\SelectorInterface;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/** The core knows nothing of the application, and within it the arrows run one way. Run by phpstan. */
final class ArrowsTest
{
    /** What each room of the core may use besides itself. */
    private const MAY_USE = [
        'Time' => [],
        'Statistics' => [],
        'Data' => ['Time'],
        'Settings' => ['Data'],
        'Reading' => ['Time', 'Data'],
        'Peers' => ['Time', 'Data', 'Settings', 'Statistics'],
        'Rail' => ['Time', 'Data', 'Settings', 'Statistics', 'Peers'],
        'Document' => ['Time', 'Data', 'Settings', 'Peers', 'Rail'],
        'Outcome' => ['Time', 'Data', 'Settings', 'Statistics', 'Peers', 'Rail', 'Document'],
        'Words' => ['Time', 'Data', 'Settings', 'Statistics', 'Peers', 'Rail', 'Document', 'Outcome'],
        'Chart' => ['Time', 'Data', 'Settings', 'Statistics', 'Peers', 'Rail', 'Document', 'Outcome', 'Words'],
        'Views' => ['Time', 'Data', 'Settings', 'Statistics', 'Peers', 'Rail', 'Document', 'Outcome', 'Words', 'Chart'],
        'Signals' => [
            'Time',
            'Data',
            'Settings',
            'Statistics',
            'Peers',
            'Rail',
            'Document',
            'Outcome',
            'Words',
            'Chart',
            'Views',
        ],
        'Proposals' => ['Time', 'Data', 'Statistics', 'Rail', 'Document', 'Outcome', 'Signals'],
    ];

    /** Classes that PHP itself has, and what all rooms know: the one refusal, and how numbers are written. */
    private const OF_PHP = '/^([A-Z][A-Za-z]*|Random\\\\[A-Za-z0-9\\\\]+|DuskRail\\\\(Refusal|Notation))$/';

    /** @return iterable<Rule> */
    public function testRoomsUseOnlyWhatStandsBeforeThem(): iterable
    {
        foreach (self::MAY_USE as $room => $others) {
            $allowed = array_map(self::room(...), [$room, ...$others]);
            yield PHPat::rule()
                ->classes(self::room($room))
                ->canOnlyDependOn()
                ->classes(...$allowed, ...[Selector::classname(self::OF_PHP, true)])
                ->because(
                    "core/{$room} may use " .
                        ($others === [] ? 'nothing but PHP' : implode(', ', $others) . ' and PHP'),
                );
        }
    }

    private static function room(string $name): SelectorInterface
    {
        return Selector::inNamespace("DuskRail\\{$name}");
    }
}
