<?php

declare(strict_types=1);

namespace Brookstone\Tools;

use Pest\Mutate\Mutators\Arithmetic;
use Pest\Mutate\Mutators\Equality;
use Pest\Mutate\Mutators\Logical;
use Pest\Mutate\Mutators\Math;
use Pest\Mutate\Mutators\Number;
use PhpParser\Node;
use PhpParser\NodeFinder;
use PhpParser\ParserFactory;
use PhpParser\PrettyPrinter\Standard;

/** Small wrong changes of a source file: a comparison, a sign, a number, a condition. */
final class Mutants
{
    private const KINDS = [
        Arithmetic\DivisionToMultiplication::class, Arithmetic\MultiplicationToDivision::class, Arithmetic\MinusToPlus::class, Arithmetic\PlusToMinus::class,
        Equality\GreaterOrEqualToGreater::class, Equality\GreaterOrEqualToSmaller::class, Equality\GreaterToGreaterOrEqual::class,
        Equality\GreaterToSmallerOrEqual::class,
        Equality\SmallerOrEqualToSmaller::class, Equality\SmallerOrEqualToGreater::class, Equality\SmallerToSmallerOrEqual::class,
        Equality\SmallerToGreaterOrEqual::class,
        Equality\IdenticalToNotIdentical::class, Equality\NotIdenticalToIdentical::class,
        Logical\BooleanAndToBooleanOr::class, Logical\BooleanOrToBooleanAnd::class,
        Math\MinToMax::class, Math\MaxToMin::class, Number\IncrementInteger::class,
    ];

    private const OFF = 1.1; // a number that is none of counting is wrong by a tenth

    private const HAIR = 1e-5; // a smaller one only keeps rounding off: a tenth of it says nothing

    /** @return list<array{line: int, from: int, to: int, was: string, is: string, in: list<string>|null}> places in bytes, `to` not included; the functions that it is in, or that ask for the constant that it is in; null where nobody knows */
    public static function of(string $source): array
    {
        $tree = (new ParserFactory)->createForHostVersion()->parse($source) ?? [];
        $printer = new Standard;
        $found = [];
        $finder = new NodeFinder;
        $code = array_filter($tree, fn (Node $statement): bool => ! $statement instanceof Node\Stmt\Declare_);
        $functions = self::functions($source, $tree);
        $constants = $finder->findInstanceOf($code, Node\Stmt\ClassConst::class);
        $members = self::members($code);
        foreach ($finder->findInstanceOf($code, Node\Expr::class) as $node) {
            foreach (in_array($node, $members, true) ? [] : self::changed($node) as $changed) {
                $from = $node->getStartFilePos();
                $to = $node->getEndFilePos() + 1;
                $found[] = ['line' => $node->getStartLine(), 'from' => $from, 'to' => $to, 'was' => substr($source, $from, $to - $from),
                    'is' => $printer->prettyPrintExpr($changed), 'in' => self::around($source, $from, $functions, $constants)];
            }
        }

        return $found;
    }

    /**
     * @param  array<string, array{int, int, int}>  $functions
     * @param  array<Node\Stmt\ClassConst>  $constants
     * @return list<string>|null
     */
    private static function around(string $source, int $at, array $functions, array $constants): ?array
    {
        $in = array_keys(array_filter($functions, fn (array $each): bool => $each[0] <= $at && $at < $each[1]));
        if ($in !== []) {
            return $in;
        }
        foreach ($constants as $constant) {
            if ($constant->isPrivate() && $constant->getStartFilePos() <= $at && $at <= $constant->getEndFilePos()) {
                $asks = fn (array $each): bool => preg_match('/::'.$constant->consts[0]->name.'\b/', substr($source, $each[0], $each[1] - $each[0])) === 1;

                return array_keys(array_filter($functions, $asks)) ?: null;
            }
        }

        return null;
    }

    /**
     * The functions of a source that do something.
     *
     * @param  array<Node>|null  $tree
     * @return array<string, array{int, int, int}> by name: where it begins and ends, and where its first statement does, in bytes
     */
    public static function functions(string $source, ?array $tree = null): array
    {
        $functions = [];
        foreach ((new NodeFinder)->find($tree ?? (new ParserFactory)->createForHostVersion()->parse($source) ?? [],
            fn (Node $node): bool => $node instanceof Node\Stmt\ClassMethod || $node instanceof Node\Stmt\Function_) as $node) {
            if (($node->stmts ?? []) !== []) {
                $first = $node->stmts[0];
                $begins = min([$first->getStartFilePos(), ...array_map(fn ($comment): int => $comment->getStartFilePos(), $first->getComments())]);
                $functions[$node->name->name] = [$node->getStartFilePos(), $node->getEndFilePos() + 1, $begins];
            }
        }

        return $functions;
    }

    /**
     * What says of a key only that it is there, `$set[$key] = true` or `[$key => true]`: any other value says the same. And that ids, which are all texts,
     * are compared strictly.
     *
     * @param  array<Node>  $code
     * @return list<Node\Expr>
     */
    private static function members(array $code): array
    {
        $finder = new NodeFinder;
        $puts = array_filter($finder->findInstanceOf($code, Node\Expr\Assign::class), fn (Node\Expr\Assign $each): bool => $each->var instanceof Node\Expr\ArrayDimFetch
            || $each->expr instanceof Node\Expr\Assign);
        $items = array_filter($finder->findInstanceOf($code, Node\ArrayItem::class), fn (Node\ArrayItem $each): bool => $each->key !== null
            && ! $each->key instanceof Node\Scalar\String_);
        $calls = array_filter($finder->findInstanceOf($code, Node\Expr\FuncCall::class), fn (Node\Expr\FuncCall $each): bool => $each->name instanceof Node\Name
            && in_array($each->name->toLowerString(), ['in_array', 'array_search'], true) && isset($each->args[2]));
        $is = fn (Node\Expr $value): bool => $value instanceof Node\Expr\ConstFetch && $value->name->toLowerString() === 'true';

        return array_values(array_filter([...array_map(fn (Node\Expr\Assign $each): Node\Expr => $each->expr, $puts),
            ...array_map(fn (Node\ArrayItem $each): Node\Expr => $each->value, $items),
            ...array_map(fn (Node\Expr\FuncCall $each): Node\Expr => $each->args[2]->value, $calls)], $is));
    }

    /** @return list<Node\Expr> */
    private static function changed(Node\Expr $node): array
    {
        if ($node instanceof Node\Scalar\Float_ || ($node instanceof Node\Scalar\Int_ && $node->value > 20)) {
            return $node->value !== 0.0 && abs($node->value) < self::HAIR ? []
                : [new Node\Scalar\Float_($node->value === 0.0 ? 1.0 : $node->value * self::OFF)];
        }
        if ($node instanceof Node\Expr\ConstFetch && in_array($node->name->toLowerString(), ['true', 'false'], true)) {
            return [new Node\Expr\ConstFetch(new Node\Name($node->name->toLowerString() === 'true' ? 'false' : 'true'))];
        }
        $changed = [];
        foreach (self::KINDS as $kind) {
            if (array_filter($kind::nodesToHandle(), fn (string $type): bool => $node instanceof $type) !== [] && $kind::can($node)) {
                $other = $kind::mutate(unserialize(serialize($node)));
                $changed = $other instanceof Node\Expr ? [...$changed, $other] : $changed;
            }
        }

        return $changed;
    }
}
