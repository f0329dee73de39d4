<?php

declare(strict_types=1);

namespace Tests\Architecture;

use PhpParser\Node;
use PhpParser\Node\Expr\BinaryOp;
use PhpParser\Node\Expr\BooleanNot;
use PHPStan\Analyser\Scope;
use PHPStan\Rules\IdentifierRuleError;
use PHPStan\Rules\Rule;
use PHPStan\Rules\RuleErrorBuilder;

/**
 * `! ($a < $b)` is not written: with NAN it is true, and the opcode optimiser turns it into `$a >= $b`, which is false.
 *
 * @implements Rule<BooleanNot>
 */
final class NoNegatedComparison implements Rule
{
    public function getNodeType(): string
    {
        return BooleanNot::class;
    }

    /** @return list<IdentifierRuleError> */
    public function processNode(Node $node, Scope $scope): array
    {
        $comparisons = [
            BinaryOp\Smaller::class,
            BinaryOp\SmallerOrEqual::class,
            BinaryOp\Greater::class,
            BinaryOp\GreaterOrEqual::class,
        ];

        return in_array($node->expr::class, $comparisons, true)
            ? [
                RuleErrorBuilder::message(
                    'A comparison is negated. With NAN that depends on the optimiser; write is_nan() out.',
                )
                    ->identifier('duskrail.negatedComparison')
                    ->build(),
            ]
            : [];
    }
}
