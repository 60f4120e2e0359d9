<?php

declare(strict_types=1);

/*
 * A command answers as quickly as a page does: PHP is started once more and keeps in files what it made of the
 * program's text, so that the next command need not read it anew. Where that cannot be, it goes on as it is.
 */
(static function (): void {
    $kept = dirname(__DIR__).'/storage/framework/compiled';
    $again = 'BROOKSTONE_COMPILED';
    $was = getenv($again);
    putenv($again); // what this process starts decides for itself
    if (PHP_SAPI !== 'cli' || $was !== false || ! in_array(ini_get('opcache.enable_cli'), ['0', ''], true) || ! function_exists('pcntl_exec')) {
        return;
    }
    if (! (is_dir($kept) || @mkdir($kept, 0700, true)) || ! is_writable($kept)) {
        return;
    }
    $said = @file_get_contents('/proc/self/cmdline'); // with the settings that were given to PHP, which go before ours
    if ($said === false || $said === '') {
        return;
    }
    $settings = ['-d', 'opcache.enable_cli=1', '-d', 'opcache.file_cache_only=1', '-d', "opcache.file_cache=$kept"];
    $arguments = array_slice(explode("\0", substr($said, 0, -1)), 1);
    @pcntl_exec(PHP_BINARY, [...$settings, ...$arguments], [$again => '1'] + getenv());
})();
