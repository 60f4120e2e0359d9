<?php

declare(strict_types=1);

use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\BuildShape;
use Brookstone\Core\Drive\Drawer;
use Brookstone\Core\Drive\DrawerCsv;

// Writes what is made from the core anew: the schemas of build files and routines, the list of sentences, the table of the drawer that ships, and the demo and example builds in their
// canonical form.
//   php bin/support/rewrite.php
require __DIR__.'/../../vendor/autoload.php';

$root = dirname(__DIR__, 2);
foreach (['build' => BuildShape::schema(), 'routine' => BuildShape::routineSchema()] as $name => $schema) {
    file_put_contents("{$root}/docs/schema/{$name}.schema.json",
        json_encode($schema, JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES)."\n");
}
foreach (glob("{$root}/database/{demo,examples}/*.brookstone.json", GLOB_BRACE) ?: [] as $file) {
    file_put_contents($file, Build::fromJson((string) file_get_contents($file))->toJson());
}
file_put_contents("{$root}/docs/sentences.md", (string) shell_exec(escapeshellarg(PHP_BINARY).' '.escapeshellarg("{$root}/artisan").' brookstone:sentences'));
file_put_contents("{$root}/tests/Core/Drive/drawer.csv", DrawerCsv::write(Drawer::all()));
