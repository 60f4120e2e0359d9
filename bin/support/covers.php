<?php

declare(strict_types=1);

// Goes before a test file that is run for bin/mutate: which lines of the core it comes by is written down at its end.

$out = (string) getenv('COVERS_OUT');
\pcov\start();
register_shutdown_function(function () use ($out): void {
    \pcov\stop();
    $root = dirname(__DIR__, 2).'/';
    $files = [];
    foreach (\pcov\collect(\pcov\all, []) as $file => $lines) {
        $come = array_keys(array_filter($lines, fn (int $times): bool => $times > 0));
        if ($come !== [] && str_starts_with($file, "{$root}core/src/")) {
            $files[substr($file, strlen($root))] = $come;
        }
    }
    file_put_contents($out, json_encode($files, JSON_THROW_ON_ERROR));
});
