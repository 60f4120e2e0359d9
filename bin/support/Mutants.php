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

    private const BY_A_TIE = [Equality\GreaterOrEqualToGreater::class, Equality\GreaterToGreaterOrEqual::class, Equality\SmallerOrEqualToSmaller::class,
        Equality\SmallerToSmallerOrEqual::class];

    private const OFF = 1.1; // a number that is none of counting is wrong by a tenth

    private const HAIR = 1e-5; // a smaller one only keeps rounding off: a tenth of it says nothing

    /** @return list<array{line: int, from: int, to: int, was: string, is: string, in: list<string>|null, leads: ?string}> places in bytes, `to` not included; the branches that it is in, the innermost first and its function last, or the functions that ask for the constant that it is in, null where nobody knows; and the branch that comes after it */
    public static function of(string $source): array
    {
        $tree = (new ParserFactory)->createForHostVersion()->parse($source) ?? [];
        $printer = new Standard;
        $found = [];
        $finder = new NodeFinder;
        $code = array_filter($tree, fn (Node $statement): bool => ! $statement instanceof Node\Stmt\Declare_);
        $functions = self::functions($source, $tree);
        $branches = self::branches($source, $tree);
        $constants = $finder->findInstanceOf($code, Node\Stmt\ClassConst::class);
        $members = self::members($code);
        foreach ($finder->findInstanceOf($code, Node\Expr::class) as $node) {
            foreach (in_array($node, $members, true) ? [] : self::changed($node) as $changed) {
                $from = $node->getStartFilePos();
                $to = $node->getEndFilePos() + 1;
                $found[] = ['line' => $node->getStartLine(), 'from' => $from, 'to' => $to, 'was' => substr($source, $from, $to - $from),
                    'is' => $printer->prettyPrintExpr($changed), 'in' => self::around($source, $from, $functions, $branches, $constants),
                    'leads' => self::leads($to, $branches)];
            }
        }

        return $found;
    }

    /**
     * @param  array<string, array{int, int, int}>  $functions
     * @param  array<string, array{int, int, bool}>  $branches
     * @param  array<Node\Stmt\ClassConst>  $constants
     * @return list<string>|null
     */
    private static function around(string $source, int $at, array $functions, array $branches, array $constants): ?array
    {
        $inside = fn (array $each): bool => $each[0] <= $at && $at < $each[1];
        $inner = array_filter($branches, $inside);
        uasort($inner, fn (array $one, array $other): int => $one[1] - $one[0] <=> $other[1] - $other[0]);
        $in = [...array_keys($inner), ...array_keys(array_filter($functions, $inside))];
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
            if (($node->stmts ?? []) !== [] || ($node->stmts === [] && $node->name->name === '__construct')) { // one that only takes what it is given does something
                $first = $node->stmts[0] ?? null;
                $begins = $first === null ? $node->getEndFilePos()
                    : min([$first->getStartFilePos(), ...array_map(fn ($comment): int => $comment->getStartFilePos(), $first->getComments())]);
                $functions[$node->name->name] = [$node->getStartFilePos(), $node->getEndFilePos() + 1, $begins];
            }
        }

        return $functions;
    }

    /**
     * Where a source goes one way or another: blocks of statements that may be left out, arms of a match, sides of a condition, functions within.
     *
     * @param  array<Node>|null  $tree
     * @return array<string, array{int, int, bool}> by their function and what stands in them, so that they are known again: from, to, whether it is one expression
     */
    public static function branches(string $source, ?array $tree = null): array
    {
        $finder = new NodeFinder;
        $branches = [];
        foreach (self::functions($source, $tree ??= (new ParserFactory)->createForHostVersion()->parse($source) ?? []) as $name => [$from, $to]) {
            foreach ($finder->find($tree, fn (Node $node): bool => $node->getStartFilePos() >= $from && $node->getEndFilePos() < $to
                && ! $node instanceof Node\FunctionLike || $node instanceof Node\Expr\Closure || $node instanceof Node\Expr\ArrowFunction) as $node) {
                foreach (self::ways($node) as $way) {
                    [$begins, $ends] = is_array($way) ? [$way[0]->getStartFilePos(), $way[count($way) - 1]->getEndFilePos() + 1]
                        : [$way->getStartFilePos(), $way->getEndFilePos() + 1];
                    if ($begins >= $from && $ends <= $to) {
                        $key = "{$name}#".hash('xxh32', substr($source, $begins, $ends - $begins));
                        $branches[$key] ??= [$begins, $ends, ! is_array($way)];
                    }
                }
            }
        }

        return $branches;
    }

    /** @return list<Node\Expr|non-empty-list<Node\Stmt>> what a node may do or leave */
    private static function ways(Node $node): array
    {
        return array_values(array_filter(match (true) {
            $node instanceof Node\Expr\Ternary => [$node->if, $node->else],
            $node instanceof Node\MatchArm => [$node->body],
            $node instanceof Node\Expr\ArrowFunction => [$node->expr],
            $node instanceof Node\Stmt && property_exists($node, 'stmts') && ! $node instanceof Node\Stmt\ClassLike && ! $node instanceof Node\Stmt\ClassMethod
                && ! $node instanceof Node\Stmt\Namespace_, $node instanceof Node\Expr\Closure => [array_values($node->stmts ?? [])],
            default => [],
        }, fn (Node\Expr|array|null $way): bool => $way !== null && $way !== [] && ! self::isGiven($way)));
    }

    /**
     * Nothing is worked out there.
     *
     * @param  Node\Expr|array<Node\Stmt>  $way
     */
    private static function isGiven(Node\Expr|array $way): bool
    {
        return $way instanceof Node\Scalar || $way instanceof Node\Expr\ConstFetch || $way instanceof Node\Expr\ClassConstFetch || $way instanceof Node\Expr\Variable;
    }

    /**
     * The nearest branch that begins after a place, in the same function: what a condition there decides.
     *
     * @param  array<string, array{int, int, bool}>  $branches
     */
    private static function leads(int $at, array $branches): ?string
    {
        $after = array_filter($branches, fn (array $each): bool => $each[0] >= $at);
        uasort($after, fn (array $one, array $other): int => $one[0] <=> $other[0]);

        return array_key_first($after);
    }

    /** The source with a note planted at the beginning of each function and branch: `$note` makes one out of its name. */
    public static function noted(string $source, callable $note): string
    {
        $puts = [];
        foreach (self::functions($source) as $name => [,, $begins]) {
            $puts[] = [$begins, 0, "{$note($name)}; "];
        }
        foreach (self::branches($source) as $name => [$begins, $ends, $isOne]) {
            array_push($puts, ...($isOne ? [[$begins, 1, "(({$note($name)}) ? ("], [$ends, -1, ') : null)']] : [[$begins, 0, "{$note($name)}; "]]));
        }
        usort($puts, fn (array $one, array $other): int => [$other[0], $other[1]] <=> [$one[0], $one[1]]); // from the end; what opens stands after a note
        foreach ($puts as [$at,, $put]) {
            $source = substr_replace($source, $put, $at, 0);
        }

        return $source;
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

    /** `1 + TIE`, or something times that. */
    private static function widens(Node\Expr $node): bool
    {
        return ($node instanceof Node\Expr\BinaryOp\Plus || $node instanceof Node\Expr\BinaryOp\Minus || $node instanceof Node\Expr\BinaryOp\Mul)
            && ($node->right instanceof Node\Expr\ClassConstFetch ? $node->right->name instanceof Node\Identifier && $node->right->name->name === 'TIE'
                : self::widens($node->right));
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
        if ($node instanceof Node\Expr\BinaryOp\Plus && $node->right instanceof Node\Scalar\Float_ && $node->right->value === 0.0) {
            return []; // only makes 0 of −0
        }
        $changed = [];
        $ties = (new NodeFinder)->findFirst($node, fn (Node $each): bool => $each instanceof Node\Expr\ClassConstFetch && $each->name instanceof Node\Identifier
            && $each->name->name === 'TIE') !== null; // it is there so that equal or not decides nothing
        foreach (self::KINDS as $kind) {
            if ($ties && (in_array($kind, self::BY_A_TIE, true) || self::widens($node))) {
                continue;
            }
            if (array_filter($kind::nodesToHandle(), fn (string $type): bool => $node instanceof $type) !== [] && $kind::can($node)) {
                $other = $kind::mutate(unserialize(serialize($node)));
                $changed = $other instanceof Node\Expr ? [...$changed, $other] : $changed;
            }
        }

        return $changed;
    }
}
