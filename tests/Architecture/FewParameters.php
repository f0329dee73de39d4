<?php

declare(strict_types=1);

namespace Tests\Architecture;

use PhpParser\Node;
use PhpParser\Node\FunctionLike;
use PhpParser\Node\Stmt\ClassMethod;
use PHPStan\Analyser\Scope;
use PHPStan\Rules\IdentifierRuleError;
use PHPStan\Rules\Rule;
use PHPStan\Rules\RuleErrorBuilder;

/**
 * A function takes at most six parameters, and what makes an object at most twelve.
 *
 * @implements Rule<FunctionLike>
 */
final class FewParameters implements Rule
{
    private const MOST = 6;

    private const MOST_TO_CONSTRUCT = 12;

    public function getNodeType(): string
    {
        return FunctionLike::class;
    }

    /** @return list<IdentifierRuleError> */
    public function processNode(Node $node, Scope $scope): array
    {
        $constructs = $node instanceof ClassMethod && $node->name->toString() === '__construct';
        $most = $constructs ? self::MOST_TO_CONSTRUCT : self::MOST;
        $count = count($node->getParams());

        return $count > $most
            ? [
                RuleErrorBuilder::message("It takes {$count} parameters; {$most} are the most.")
                    ->identifier('duskrail.manyParameters')
                    ->build(),
            ]
            : [];
    }
}
