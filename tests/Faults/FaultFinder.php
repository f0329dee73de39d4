<?php

declare(strict_types=1);

namespace Tests\Faults;

use PhpParser\Node;
use PhpParser\Node\Expr;
use PhpParser\Node\Stmt;
use PhpParser\NodeTraverser;
use PhpParser\NodeVisitorAbstract;
use PhpParser\ParserFactory;

/** All faults that could be put into a file. */
final class FaultFinder extends NodeVisitorAbstract
{
    /** What an operator is mistaken for. */
    private const OPERATORS = [
        Expr\BinaryOp\Smaller::class => ['<', '<=', 'flipped comparison'],
        Expr\BinaryOp\SmallerOrEqual::class => ['<=', '<', 'flipped comparison'],
        Expr\BinaryOp\Greater::class => ['>', '>=', 'flipped comparison'],
        Expr\BinaryOp\GreaterOrEqual::class => ['>=', '>', 'flipped comparison'],
        Expr\BinaryOp\Identical::class => ['===', '!==', 'flipped comparison'],
        Expr\BinaryOp\NotIdentical::class => ['!==', '===', 'flipped comparison'],
        Expr\BinaryOp\BooleanAnd::class => ['&&', '||', 'and for or'],
        Expr\BinaryOp\BooleanOr::class => ['||', '&&', 'or for and'],
        Expr\BinaryOp\Mul::class => ['*', '/', 'other arithmetic'],
        Expr\BinaryOp\Div::class => ['/', '*', 'other arithmetic'],
    ];

    /** What a function is mistaken for. */
    private const FUNCTIONS = [
        'round' => ['floor', 'other rounding'],
        'floor' => ['ceil', 'other rounding'],
        'ceil' => ['floor', 'other rounding'],
        'min' => ['max', 'min for max'],
        'max' => ['min', 'max for min'],
        'sort' => ['rsort', 'other order'],
        'rsort' => ['sort', 'other order'],
        'asort' => ['arsort', 'other order'],
        'arsort' => ['asort', 'other order'],
        'ksort' => ['krsort', 'other order'],
    ];

    /** Functions that keep data from being taken for something else, or that are left out by mistake. */
    private const WRAPPERS = [
        'htmlspecialchars' => 'missing escape',
        'guard' => 'missing escape',
        'escape' => 'missing escape',
        'array_reverse' => 'other order',
        'abs' => 'dropped sign',
    ];

    /** @var list<Fault> */
    private array $faults = [];

    private function __construct(private readonly string $file, private readonly string $code) {}

    /** @return list<Fault> */
    public static function in(string $file, string $code): array
    {
        $finder = new self($file, $code);
        $traverser = new NodeTraverser($finder);
        $traverser->traverse((new ParserFactory())->createForHostVersion()->parse($code) ?? []);

        return $finder->faults;
    }

    public function enterNode(Node $node): null
    {
        $operator = self::OPERATORS[$node::class] ?? null;
        match (true) {
            $operator !== null && $node instanceof Expr\BinaryOp => $this->operator($node, ...$operator),
            $node instanceof Expr\BinaryOp\Plus => $this->sum($node, '+', '-'),
            $node instanceof Expr\BinaryOp\Minus => $this->sum($node, '-', '+'),
            $node instanceof Node\Const_ => $this->constant($node),
            $node instanceof Expr\Match_ => $this->cases($node),
            $node instanceof Stmt\If_ => $this->guard($node),
            $node instanceof Expr\FuncCall, $node instanceof Expr\StaticCall => $this->call($node),
            $node instanceof Expr\MethodCall, $node instanceof Expr\New_ => $this->swapped($node),
            $node instanceof Stmt\Return_ => $this->returned($node),
            default => null,
        };

        return null;
    }

    private function sum(Expr\BinaryOp $node, string $was, string $becomes): void
    {
        if ($node->right instanceof Node\Scalar\Int_) {
            $this->replace('shifted index', $node, $this->of($node->left));
        } else {
            $this->operator($node, $was, $becomes, 'other arithmetic');
        }
    }

    /** A threshold that is moved: half as much again and one more, or half as much again of a fraction. */
    private function constant(Node\Const_ $constant): void
    {
        $value = $constant->value;
        if ($value instanceof Node\Scalar\Int_ || $value instanceof Node\Scalar\Float_) {
            $moved = $value instanceof Node\Scalar\Int_ ? intdiv($value->value * 3, 2) + 1 : $value->value * 1.5;
            $this->replace('moved constant', $value, var_export($moved, true));
        }
    }

    /** A case of a match that answers as the one after it does. */
    private function cases(Expr\Match_ $match): void
    {
        foreach ($match->arms as $i => $arm) {
            $next = $match->arms[$i + 1] ?? null;
            if ($arm->conds !== null && $next !== null && $this->of($arm->body) !== $this->of($next->body)) {
                $this->replace('other case', $arm->body, $this->of($next->body));
            }
        }
    }

    private function operator(Expr\BinaryOp $node, string $was, string $becomes, string $kind): void
    {
        $from = $node->left->getEndFilePos() + 1;
        $between = substr($this->code, $from, $node->right->getStartFilePos() - $from);
        // Only where nothing but the operator is there; a parenthesis or a comment is left alone.
        if (trim($between) === $was) {
            $left = substr($this->code, $node->getStartFilePos(), $from - $node->getStartFilePos());
            $this->replace($kind, $node, $left . str_replace($was, $becomes, $between) . $this->of($node->right));
        }
    }

    /** A guard is an if that ends what is being done, and has no other branch. */
    private function guard(Stmt\If_ $if): void
    {
        $last = $if->stmts[count($if->stmts) - 1] ?? null;
        $leaves =
            $last instanceof Stmt\Return_ ||
            $last instanceof Stmt\Continue_ ||
            ($last instanceof Stmt\Expression && $last->expr instanceof Expr\Throw_);
        if ($leaves && $if->else === null && $if->elseifs === []) {
            $this->replace('dropped guard', $if->cond, 'false');
        }
    }

    private function call(Expr\FuncCall|Expr\StaticCall $call): void
    {
        $name =
            $call->name instanceof Node\Name || $call->name instanceof Node\Identifier ? $call->name->toString() : '';
        $other = self::FUNCTIONS[$name] ?? null;
        $arguments = array_values(array_filter($call->args, static fn(Node $a): bool => $a instanceof Node\Arg));
        if ($other !== null && $call instanceof Expr\FuncCall) {
            $this->replace($other[1], $call->name, $other[0]);
        } elseif (isset(self::WRAPPERS[$name], $arguments[0])) {
            $this->replace(self::WRAPPERS[$name], $call, $this->of($arguments[0]));
        } elseif ($name === 'transaction' && isset($arguments[0])) {
            $this->replace('dropped transaction', $call, "({$this->of($arguments[0])})()");
        } else {
            $this->swapped($call);
        }
    }

    /** Two neighbouring arguments that are both variables: those of the same type can be taken for each other. */
    private function swapped(Expr\CallLike $call): void
    {
        $arguments = $call->isFirstClassCallable() ? [] : $call->getArgs();
        foreach ($arguments as $i => $argument) {
            $next = $arguments[$i + 1] ?? null;
            if (
                $next !== null &&
                $argument->name === null &&
                $next->name === null &&
                $argument->value instanceof Expr\Variable &&
                $next->value instanceof Expr\Variable
            ) {
                $start = $argument->getStartFilePos();
                $end = $next->getEndFilePos() + 1;
                $this->faults[] = new Fault(
                    'swapped arguments',
                    $this->file,
                    $argument->getStartLine(),
                    $start,
                    $end,
                    substr($this->code, $start, $end - $start),
                    "{$this->of($next)}, {$this->of($argument)}",
                );

                return;
            }
        }
    }

    private function returned(Stmt\Return_ $return): void
    {
        if ($return->expr instanceof Expr\ConstFetch) {
            $other = match ($return->expr->name->toLowerString()) {
                'true' => 'false',
                'false' => 'true',
                default => null,
            };
            if ($other !== null) {
                $this->replace('other answer', $return->expr, $other);
            }
        }
    }

    private function replace(string $kind, Node $node, string $becomes): void
    {
        $this->faults[] = new Fault(
            $kind,
            $this->file,
            $node->getStartLine(),
            $node->getStartFilePos(),
            $node->getEndFilePos() + 1,
            $this->of($node),
            $becomes,
        );
    }

    private function of(Node $node): string
    {
        return substr($this->code, $node->getStartFilePos(), $node->getEndFilePos() - $node->getStartFilePos() + 1);
    }
}
