<?php

declare(strict_types=1);

namespace Tests\Architecture;

use PhpParser\Node;
use PhpParser\Node\Expr;
use PhpParser\Node\FunctionLike;
use PhpParser\Node\Stmt;
use PhpParser\NodeFinder;
use PHPStan\Analyser\Scope;
use PHPStan\Rules\IdentifierRuleError;
use PHPStan\Rules\Rule;
use PHPStan\Rules\RuleErrorBuilder;

/**
 * A function has at most fifteen ways through it: McCabe's number (1976) with `&&`, `||` and closures counted.
 *
 * @implements Rule<FunctionLike>
 */
final class SimpleFunctions implements Rule
{
    private const MOST = 15;

    private const BRANCHES = [
        Stmt\If_::class,
        Stmt\ElseIf_::class,
        Stmt\For_::class,
        Stmt\Foreach_::class,
        Stmt\While_::class,
        Stmt\Do_::class,
        Stmt\Catch_::class,
        Expr\Ternary::class,
        Expr\BinaryOp\Coalesce::class,
        Expr\AssignOp\Coalesce::class,
        Expr\BinaryOp\BooleanAnd::class,
        Expr\BinaryOp\BooleanOr::class,
        Expr\NullsafeMethodCall::class,
        Expr\NullsafePropertyFetch::class,
    ];

    public function getNodeType(): string
    {
        return FunctionLike::class;
    }

    /** @return list<IdentifierRuleError> */
    public function processNode(Node $node, Scope $scope): array
    {
        $branches = (new NodeFinder())->find(
            $node->getStmts() ?? [],
            static fn(Node $inner): bool => in_array($inner::class, self::BRANCHES, true) ||
                ($inner instanceof Stmt\Case_ && $inner->cond !== null) ||
                ($inner instanceof Node\MatchArm && $inner->conds !== null),
        );
        $ways = count($branches) + 1;

        return $ways > self::MOST
            ? [
                RuleErrorBuilder::message("{$ways} ways lead through it; " . self::MOST . ' are the most.')
                    ->identifier('duskrail.manyWays')
                    ->build(),
            ]
            : [];
    }
}
