<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Http\KeptSessions;
use Illuminate\Filesystem\Filesystem;

final class SessionsTest extends ApplicationTestCase
{
    public function testASessionIsWrittenWhenItChangedOrGrowsOldOrIsLost(): void
    {
        $folder = sys_get_temp_dir() . '/dusk-sessions-' . getmypid();
        mkdir($folder);
        $write = static function (string $data, int $minutesOld) use ($folder): string {
            file_put_contents("{$folder}/one", 'as it was');
            touch("{$folder}/one", time() - 60 * $minutesOld);
            clearstatcache();
            $sessions = new KeptSessions(new Filesystem(), $folder, 120);
            self::assertSame('as it was', $sessions->read('one'));
            // What is read again from now on was written by this request, or else by another one.
            file_put_contents("{$folder}/one", 'by another');
            touch("{$folder}/one", time() - 60 * $minutesOld);
            clearstatcache();
            self::assertTrue($sessions->write('one', $data));

            return (string) file_get_contents("{$folder}/one");
        };
        self::assertSame('by another', $write('as it was', 5));
        self::assertSame('changed', $write('changed', 5));
        // It would end after 120 minutes without a word.
        self::assertSame('as it was', $write('as it was', 20));
        $sessions = new KeptSessions(new Filesystem(), $folder, 120);
        $sessions->read('one');
        unlink("{$folder}/one");
        clearstatcache();
        $sessions->write('one', 'as it was');
        self::assertStringEqualsFile("{$folder}/one", 'as it was');
        (new Filesystem())->deleteDirectory($folder);
    }
}
