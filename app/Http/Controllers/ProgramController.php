<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\ProgramRequest;
use App\Http\Requests\SpokenRequest;
use App\Models\Build;
use App\Programs\Texts;
use Brookstone\Core\Program\CannotBeWritten;
use Brookstone\Core\Program\Composer;
use Brookstone\Core\Program\Package;
use Brookstone\Core\Program\SpokenLines;
use Illuminate\Http\JsonResponse;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** The program of a build's controller: looked at, taken along. */
final class ProgramController
{
    /** What each file is for. */
    private const SAYS = [
        'routine' => 'The routines, as one machine of states.', 'drives' => 'Motors, inputs and outputs, by the wiring.',
        'says' => 'What it tells while it runs, and what it is told by hand.',
        'tells' => 'What it tells while it runs, and what it is told by hand.',
        'board' => 'The board.', 'main' => 'The main loop.', 'pins' => 'Where each pin is.',
        'made' => 'How much of everything there is.', 'README' => 'What is on which pin, and how to load it.',
    ];

    public function show(ProgramRequest $request, Build $build): JsonResponse
    {
        try {
            $package = Package::of($build->core());
        } catch (CannotBeWritten $why) {
            return new JsonResponse(['version' => $build->version, 'obstacles' => $why->obstacles, 'folder' => '', 'mark' => 0]
                + array_fill_keys(['files', 'pins', 'motions', 'inputs', 'levels', 'outputs', 'routines', 'guards'], []));
        }
        $files = [];
        foreach ($package->files($request->language(), Texts::all()) as $name => $text) {
            $files[] = ['name' => $name, 'says' => self::SAYS[pathinfo($name, PATHINFO_FILENAME)] ?? 'What the board begins with.',
                'lines' => substr_count($text, "\n"), 'text' => $text];
        }

        return new JsonResponse(['version' => $build->version, 'obstacles' => [], 'files' => $files] + $package->report());
    }

    /** What a program said while it ran: the moves in it, with their times. */
    public function read(SpokenRequest $request, Build $build): JsonResponse
    {
        try {
            return new JsonResponse(SpokenLines::read(Composer::of($build->core()), $request->text()));
        } catch (CannotBeWritten $why) {
            throw $why->asInput();
        }
    }

    /** All of it as one file. */
    public function zip(ProgramRequest $request, Build $build): BinaryFileResponse
    {
        try {
            $package = Package::of($build->core());
        } catch (CannotBeWritten $why) {
            throw $why->asInput();
        }
        $file = (string) tempnam(sys_get_temp_dir(), 'brookstone-program');
        $zip = new \ZipArchive;
        $zip->open($file, \ZipArchive::OVERWRITE);
        foreach ($package->files($request->language(), Texts::all()) as $name => $text) {
            $zip->addFromString("{$package->name()}/{$name}", $text);
        }
        $zip->close();

        return (new BinaryFileResponse($file, 200, ['Content-Type' => 'application/zip']))
            ->setContentDisposition('attachment', "{$package->name()}-{$request->language()->value}.zip")->deleteFileAfterSend();
    }
}
