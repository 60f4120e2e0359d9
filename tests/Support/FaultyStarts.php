<?php

declare(strict_types=1);

namespace Tests\Support;

/**
 * What can be wrong with a checkout, or with how it is started, and what is said then: what is wrong and what to do; null where it can be mended
 * without a word.
 */
final class FaultyStarts
{
    private const DB = 'storage/brookstone/brookstone.sqlite';

    private const STARTS = 0;

    private const REFUSES = 1;

    private const MISUSED = 2;

    /** @return array<string, array{string, int, ?string, string}> by name: how it is made, how the start ends, what it says, its arguments */
    public static function all(): array
    {
        $faults = [];
        foreach (['--port', '--port harbour', '--port=0', '--port=70000', '--port -1', '--port 80a'] as $arguments) {
            $faults["started with {$arguments}"] = ['', self::MISUSED, 'The port must be a number from 1 to 65535.', $arguments];
        }
        foreach (['--prot 8000', 'please'] as $arguments) {
            $faults["started with {$arguments}"] = ['', self::MISUSED, 'bin/start [--port N] [--setup-only]', $arguments];
        }
        foreach (self::made() as $name => [$command, $ends, $says]) {
            $faults[$name] = [str_replace('$DB', self::DB, $command), $ends, $says, '--setup-only'];
        }

        return $faults;
    }

    /** @return array<string, array{string, int, ?string}> */
    private static function made(): array
    {
        $sql = fn (string $statement): string => 'php -r '.escapeshellarg('(new PDO("sqlite:'.self::DB.'"))->exec('.var_export($statement, true).');');
        $settings = 'The settings in .env cannot be read.';
        $damaged = 'The database could not be read. It is kept as ';
        $half = 'An earlier start was ended while it changed the form of the database: that was mended, and everything in it kept.';
        $whole = 'This copy of Brookstone is not whole: ';
        $folder = fn (string $path): array => ["rm -rf {$path}; touch {$path}", self::REFUSES,
            "The folder {$path} cannot be made: move away what has its name, or let yourself write there, and start again."];
        $kept = fn (string $file, string $text): array => ["printf '%s' ".escapeshellarg($text)." >bootstrap/cache/{$file}", self::STARTS, null];

        return [
            'settings that are a page' => ["printf 'APP_KEY=x y z\\n<html>\\n' >.env", self::STARTS, $settings],
            'settings that are noise' => ['head -c 500 /dev/urandom >.env', self::STARTS, $settings],
            'settings that are a folder' => ['rm .env; mkdir .env', self::STARTS, $settings],
            'no settings' => ['rm .env', self::STARTS, null],
            'settings that lead nowhere' => ['rm .env; ln -s /nowhere/.env .env', self::STARTS, null],
            'empty settings' => [': >.env', self::STARTS, null],
            'settings without a key' => ['sed -i /^APP_KEY/d .env', self::STARTS, null],
            'settings with an empty key' => ['sed -i s/^APP_KEY=.*/APP_KEY=/ .env', self::STARTS, null],
            'half a configuration' => $kept('config.php', "<?php return array (\n  1"),
            'an empty configuration' => $kept('config.php', ''),
            'a configuration that is a number' => $kept('config.php', '<?php return 5;'),
            'a configuration without anything' => $kept('config.php', '<?php return [];'),
            'a configuration that is a folder' => ['mkdir bootstrap/cache/config.php', self::STARTS, null],
            'half of the routes' => $kept('routes-v7.php', '<?php app('),
            'empty routes' => $kept('routes-v7.php', ''),
            'packages that are a number' => $kept('packages.php', '<?php return 5;'),
            'packages that are not there' => $kept('packages.php', '<?php return ["a/b" => ["providers" => ["No\\\\Such\\\\Provider"]]];'),
            'services that are a number' => $kept('services.php', '<?php return 5;'),
            'half of the services' => $kept('services.php', '<?php return array ('),
            'half of the events' => $kept('events.php', '<?php return arr'),
            'a database of noise' => ['head -c 9000 /dev/urandom >$DB', self::STARTS, $damaged],
            'an empty database' => [': >$DB', self::STARTS, null],
            'fifty bytes of a database' => ['truncate -s 50 $DB', self::STARTS, $damaged],
            'one page of a database' => ['truncate -s 4096 $DB', self::STARTS, $damaged],
            'half a database' => ['truncate -s $(($(stat -c %s $DB) / 2 / 4096 * 4096)) $DB', self::STARTS, $damaged],
            'half a database and a bit' => ['truncate -s $(($(stat -c %s $DB) / 2 + 77)) $DB', self::STARTS, $damaged],
            'nothing behind the head of a database' => ['dd if=/dev/zero of=$DB bs=4096 seek=1 count=6 conv=notrunc status=none', self::STARTS, $damaged],
            'a database of zeros' => ['dd if=/dev/zero of=$DB bs=4096 count=$(($(stat -c %s $DB) / 4096)) conv=notrunc status=none', self::STARTS, $damaged],
            'noise within a database' => ['dd if=/dev/urandom of=$DB bs=4096 seek=9 count=2 conv=notrunc status=none', self::STARTS, $damaged],
            'a database that is a text' => ['echo hello >$DB', self::STARTS, $damaged],
            'noise in its log' => ['head -c 9000 /dev/urandom >$DB-wal', self::STARTS, null],
            'noise in its index' => ['head -c 9000 /dev/urandom >$DB-shm', self::STARTS, null],
            'noise in its journal' => ['head -c 9000 /dev/urandom >$DB-journal', self::STARTS, null],
            'a log that is a folder' => ['rm -f $DB-wal; mkdir $DB-wal', self::REFUSES, 'see that it can be read and written, and start again.'],
            'a database that is a folder' => ['mv $DB kept.sqlite; mkdir $DB', self::REFUSES,
                'is a folder, where the database must be: move it away and start again.'],
            'a database that leads nowhere' => ['mv $DB kept.sqlite; ln -s /nowhere/x.sqlite $DB', self::STARTS, null],
            'the database of another program' => ['mv $DB kept.sqlite; '.$sql('CREATE TABLE songs (title text)'), self::REFUSES,
                'is the database of another program: move it away and start again.'],
            'the database of a newer one' => [$sql("INSERT INTO migrations (migration, batch) VALUES ('2099_01_01_000000_more', 9)"), self::REFUSES,
                'was written by a newer Brookstone'],
            'a form that was half changed' => [$sql('DELETE FROM migrations WHERE id > 2'), self::STARTS, $half],
            'a form of which nothing is known' => [$sql('DELETE FROM migrations'), self::STARTS, $half],
            'a form without its list' => [$sql('DROP TABLE migrations'), self::STARTS, $half],
            'a form with a part missing' => [$sql('DROP TABLE drawer_drives'), self::REFUSES, 'The database cannot be made ready'],
            'what an earlier start left' => ['cp $DB $DB.next; echo x >$DB.next-journal', self::STARTS, null],
            'a folder in the way of the next' => ['mkdir $DB.next', self::REFUSES, 'The database cannot be made ready'],
            'a file in the way of the copies' => ['touch storage/brookstone/backups; '.$sql('DELETE FROM migrations WHERE id > 2'), self::REFUSES,
                'The database cannot be made ready'],
            'a folder where it was that is a file' => ['mv storage/brookstone kept; touch storage/brookstone', self::REFUSES,
                'cannot be written to: put Brookstone where you can write, and start again.'],
            'a file for all that is stored' => ['mv storage kept; touch storage', self::REFUSES,
                'cannot be written to: put Brookstone where you can write, and start again.'],
            'nothing stored' => ['rm -rf storage', self::STARTS, null],
            'a file for the logs' => $folder('storage/logs'),
            'a file for what is kept' => $folder('storage/framework/cache/data'),
            'a file for what the framework keeps' => $folder('bootstrap/cache'),
            'no folder for what the framework keeps' => ['rm -rf bootstrap/cache', self::STARTS, null],
            'no folder for its pages' => ['rm -rf storage/framework/views', self::STARTS, null],
            'noise in what is kept' => ['mkdir -p storage/framework/cache/data/ab/cd; echo noise >storage/framework/cache/data/ab/cd/abcd', self::STARTS, null],
            'a file for what is compiled' => ['rm -rf storage/framework/compiled; touch storage/framework/compiled', self::STARTS, null],
            'noise in what is compiled' => ['find storage/framework/compiled -name "*.bin" | head -40 | while read -r file; do head -c 3000 /dev/urandom >"$file"; done', self::STARTS, null],
            'a folder that says that it runs' => ['rm -f storage/brookstone/.running; mkdir storage/brookstone/.running', self::REFUSES,
                'The file storage/brookstone/.running cannot be written'],
            'noise where it says that it runs' => ['echo harbour >storage/brookstone/.running', self::STARTS, null],
            'a folder that says that it is set up' => ['rm -f storage/brookstone/.setup; mkdir storage/brookstone/.setup', self::REFUSES,
                'The folder storage/brookstone cannot be written to'],
            'a checkout without its list of packages' => ['rm package-lock.json', self::REFUSES, "{$whole}package-lock.json is missing."],
            'a checkout without its command' => ['rm artisan', self::REFUSES, "{$whole}artisan is missing."],
            'a checkout without its beginning' => ['rm bootstrap/app.php', self::REFUSES, "{$whole}bootstrap/app.php is missing."],
            'another start at the same time' => ['(bin/start --setup-only >/dev/null 2>&1 &)', self::STARTS, null],
            'another that writes just now' => ['(php -r '.escapeshellarg('$other = new PDO("sqlite:'.self::DB.'"); $other->exec("BEGIN IMMEDIATE"); sleep(2);').' >/dev/null 2>&1 &); sleep 0.3', self::STARTS, null],
        ];
    }
}
