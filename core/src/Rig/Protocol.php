<?php

declare(strict_types=1);

namespace Brookstone\Core\Rig;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Routine\Scenario;
use Brookstone\Core\Routine\StepFailed;
use Brookstone\Core\Routine\WorldEvents;
use Brookstone\Core\Shape\ChoiceShape;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\TextShape;
use Brookstone\Core\Shape\UnionShape;

/** What is said to a rig, a line of JSON each way: `step`, `get`, `event`, `set`, `save`. Every answer says whether it was understood. */
final class Protocol
{
    private const LONGEST_LINE = 100_000;

    private readonly Rig $rig;

    private readonly UnionShape $shape;

    public function __construct(private readonly Build $build, ?Scenario $begins = null, bool $runs = true)
    {
        $this->rig = new Rig($build, $begins, $runs);
        $this->shape = new UnionShape('do', [
            'step' => new RecordShape(['seconds' => Field::or($build->settings->scan_s, NumberShape::between(0.0, 600.0), 'How long time goes on.'),
                'quiet' => Field::or(false, new \Brookstone\Core\Shape\BooleanShape, 'Answer without the state.')]),
            'get' => new RecordShape([]),
            'event' => new RecordShape(['event' => Field::needed(WorldEvents::now(), 'What the world does now.')]),
            'set' => new RecordShape([
                'motion' => Field::or(null, TextShape::id()->orNull()), 'run' => Field::or(null, ChoiceShape::of('up', 'down', 'stop', 'to')->orNull(),
                    'For a motion.'),
                'to' => Field::or(null, NumberShape::between(-720.0, 720.0)->orNull(), 'Where a servo or stepper goes, in its own unit.'),
                'speed' => Field::or(1.0, NumberShape::between(0.01, 1.0)),
                'output' => Field::or(null, TextShape::id()->orNull()), 'is' => Field::or('on', ChoiceShape::of('on', 'off'), 'For an output.'),
            ]),
            'save' => new RecordShape(['id' => Field::or('rig-session', TextShape::id()), 'name' => Field::or('Rig session', TextShape::name())]),
        ]);
    }

    /** One line, one answer; neither has a line end. */
    public function answer(string $line): string
    {
        return json_encode($this->reply($line), JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION | JSON_THROW_ON_ERROR);
    }

    /** @return array<string, mixed> */
    private function reply(string $line): array
    {
        if (strlen($line) > self::LONGEST_LINE) {
            return self::refused('', 'The line is too long.');
        }
        $asked = json_decode($line, true, 16);
        if (! is_array($asked)) {
            return self::refused('', 'This is not a line of JSON.');
        }
        $errors = new ErrorList;
        $read = $this->shape->read($asked, '', $errors);
        try {
            $errors->throwIfAny();

            return ['ok' => true] + $this->does($read ?? []);
        } catch (InvalidInput $refused) {
            return ['ok' => false, 'errors' => $refused->errors];
        } catch (StepFailed $failed) {
            return self::refused('', "Refused: {$failed->getMessage()}.");
        }
    }

    /**
     * @param  array<string, mixed>  $read
     * @return array<string, mixed>
     */
    private function does(array $read): array
    {
        switch ($read['do']) {
            case 'step':
                $this->rig->step($read['seconds']);

                return $read['quiet'] ? ['now_s' => round($this->rig->now(), 9)] : ['state' => $this->rig->state()];
            case 'event':
                $this->known(WorldEvents::OF[$read['event']['what']][1] ?? '', $read['event'][WorldEvents::OF[$read['event']['what']][0] ?? ''] ?? null,
                    'event');
                $this->rig->happens(WorldEvents::make($read['event'] + ['at_s' => 0.0]));

                return [];
            case 'set':
                $this->set($read);

                return [];
            case 'save':
                return ['scenario' => $this->rig->scenario($read['id'], $read['name'])];
            default:
                return ['state' => $this->rig->state()];
        }
    }

    /** @param  array<string, mixed>  $read */
    private function set(array $read): void
    {
        if (($read['motion'] === null) === ($read['output'] === null)) {
            throw InvalidInput::at('motion', 'Needs either a motion or an output.');
        }
        if ($read['output'] !== null) {
            $this->known('output', $read['output'], 'output');
            $this->rig->signal($read['output'], $read['is'] === 'on');

            return;
        }
        $this->known('motion', $read['motion'], 'motion');
        if ($read['run'] === 'to') {
            if ($read['to'] === null) {
                throw InvalidInput::at('to', 'Say where it goes.');
            }
            $this->build->motions[$read['motion']]->positioning->isAbsolute() ? $this->rig->follow($read['motion'], $read['to'], $read['speed'])
                : throw InvalidInput::at('run', 'Only what knows its place can be sent to one.');

            return;
        }
        $this->rig->drive($read['motion'], ['up' => 1, 'down' => -1][$read['run'] ?? ''] ?? 0, $read['speed']);
    }

    private function known(string $kind, ?string $id, string $field): void
    {
        $known = match ($kind) {
            'motion' => isset($this->build->motions[$id]), 'output' => isset($this->build->outputs[$id]), 'supply' => isset($this->build->supplies[$id]),
            'sensor' => isset($this->build->sensors[$id]) || $this->build->switch((string) $id) !== null,
            'outside' => isset($this->build->sensors[$id]),
            'analog' => ($this->build->sensors[$id] ?? null)?->measures() ?? false,
            default => true,
        };
        if (! $known) {
            throw InvalidInput::at($field, 'There is no such '.(['outside' => 'sensor', 'analog' => 'sensor that measures'][$kind]
                ?? $kind)." {$id} in this build.");
        }
    }

    /** @return array<string, mixed> */
    private static function refused(string $field, string $message): array
    {
        return ['ok' => false, 'errors' => [['field' => $field, 'message' => $message]]];
    }
}
