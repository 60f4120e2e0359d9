<?php

declare(strict_types=1);

use Brookstone\Core\Code\CPrinter;
use Brookstone\Core\Code\Does;
use Brookstone\Core\Code\Each;
use Brookstone\Core\Code\Gives;
use Brookstone\Core\Code\Go;
use Brookstone\Core\Code\Note;
use Brookstone\Core\Code\Program;
use Brookstone\Core\Code\PythonPrinter;
use Brookstone\Core\Code\Set;
use Brookstone\Core\Code\States;
use Brookstone\Core\Code\Store;
use Brookstone\Core\Code\Task;
use Brookstone\Core\Code\Type;
use Brookstone\Core\Code\When;
use Brookstone\Core\Program\Names;

/** A program of one task. @param  list<Brookstone\Core\Code\Line>  $lines */
function oneTask(array $lines, array $takes = [], ?Type $gives = null): Program
{
    return new Program(['Head'], ['MOST' => 3, 'LEAST' => -2, 'NEVER' => 4294967295], [new Store('turns', Type::Byte, null, 'how many'), new Store('on', Type::Truth, 4, 'inputs'),
        new Store('unused', Type::Number, null, 'nothing')], [new Task('helper', 'Helps', ['m' => Type::Byte], Type::Truth, [new Gives('on[m]')]),
            new Task('idle', 'Nobody calls it', [], null, []), new Task('work', 'Works', $takes, $gives, $lines, isOpen: true)]);
}

function inC(array $lines, array $takes = [], ?Type $gives = null): string
{
    return (new CPrinter(['<stdint.h>']))->text(oneTask($lines, $takes, $gives)->pruned());
}

function inPython(array $lines, array $takes = []): string
{
    return (new PythonPrinter(['board' => ['board_read', 'board_write']]))->text(oneTask($lines, $takes)->pruned());
}

it('says the same in two languages', function (array $lines, string $c, string $python) {
    expect(inC($lines))->toContain($c)->and(inPython($lines))->toContain($python);
})->with([
    'a value' => [[new Set('turns', 'turns + 1')], "{\n    turns = turns + 1;\n}", "    global turns\n    turns = turns + 1\n"],
    'one of a row' => [[new Set('on[MOST]', '!on[0] && helper(1)')], '    on[MOST] = !on[0] && helper(1);', '    on[MOST] = not on[0] and helper(1)'],
    'a question' => [[new When('on[0] != true', [new Does('board_write(1, false)')], [new Gives])], "    if (on[0] != true) {\n        board_write(1, false);\n    } else {\n        return;\n    }",
        "    if on[0] != True:\n        board_write(1, False)\n    else:\n        return"],
    'nothing to do' => [[new When('on[0] || on[1]', [])], "    if (on[0] || on[1]) {\n    }", "    if on[0] or on[1]:\n        pass"],
    'every one' => [[new Each('i', 'MOST', [new Set('on[i]', 'i / 2 == 1')])], '    for (uint8_t i = 0; i < MOST; i++) {', "    for i in range(MOST):\n        on[i] = i // 2 == 1"],
    'a note' => [[new Note('Up */ and ??/ away \\'), new Set('turns', '0')], '    // Up * / and ? ?/ away /', '    # Up * / and ? ?/ away /'],
    'states' => [[new States('turns', [[new Go('turns', 1)], [new When('on[0]', [new Go('turns', 0, 'true')]), new Gives]])],
        "    for (;;) {\n        switch (turns) {\n        case 0:\n            turns = 1;\n            continue;\n        default:\n            if (on[0]) {\n                turns = 0;\n                return true;",
        "    while True:\n        state = turns\n        if state == 0:\n            turns = 1\n            continue\n        if on[0]:\n            turns = 0\n            return True"],
]);

it('leaves out what nothing comes to, and what a task is given and does not ask for', function () {
    $c = inC([new Set('turns', 'MOST')], ['m' => Type::Byte]);

    expect($c)->toContain('#define MOST 3')->not->toContain('LEAST')->not->toContain('idle')->not->toContain('helper')->not->toContain('unused')
        ->toContain("    (void)m;\n");
});

it('writes numbers that any compiler takes as they are', function () {
    expect(inC([new Set('turns', 'LEAST + NEVER')]))->toContain('#define LEAST (-2)')->toContain('#define NEVER 4294967295u');
});

it('asks a module only for what it uses', function () {
    expect(inPython([new Does('board_read(1)')]))->toContain("from board import board_read\n")->not->toContain('board_write');
});

it('keeps names apart, short and legal', function () {
    $names = new Names;

    expect($names->of('MOTION', 'lift-1'))->toBe('MOTION_LIFT_1')->and($names->of('MOTION', 'lift_1'))->toBe('MOTION_LIFT_1_2')
        ->and($names->of('MOTION', 'lift-1'))->toBe('MOTION_LIFT_1')->and($names->of('do', 'while'))->toBe('do_while')
        ->and($names->of('PIN', '*/ Übel "x"!'))->toMatch('/^PIN_[A-Z_]+$/')->and(strlen($names->of('INPUT', str_repeat('a', 90))))->toBe(40);
});

it('lets no name end a comment, join two lines or hide', function (string $name, string $clean) {
    expect(Note::clean($name))->toBe($clean);
})->with([["a\nb\r\tc", 'a b c'], ['ends \\', 'ends /'], ["\u{202E}turned\u{200B}", 'turned'], ['🦉 ok é', '🦉 ok é'], ['a */ b /* c', 'a * / b / * c'], ['what??/', 'what? ?/']]);
