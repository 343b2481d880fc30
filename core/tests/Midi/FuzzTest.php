<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Midi;

use Jactonic\Core\Midi\Exporter;
use Jactonic\Core\Midi\Importer;
use Jactonic\Core\Midi\MidiError;
use Jactonic\Core\Midi\Reader;
use Jactonic\Core\Midi\Writer;
use Jactonic\Core\Tests\Support\Smf;
use PHPUnit\Framework\TestCase;

/** Files that something went wrong with: each is read or refused with a sentence, and what is read can be written and read again. */
final class FuzzTest extends TestCase
{
    public function test_damaged_files_are_read_or_refused_and_never_a_fault(): void
    {
        $read = $refused = 0;
        $files = (int) getenv('JACTONIC_SOAK_FILES') ?: 600;
        $first = (int) getenv('JACTONIC_SEED') ?: 1;
        for ($seed = $first; $seed < $first + $files; $seed++) {
            mt_srand($seed);
            $bytes = self::damaged(Smf::rich());
            try {
                [$song] = Importer::import(Reader::read($bytes), 'damaged');
                $written = Writer::write(Exporter::export($song));
                [$again] = Importer::import(Reader::read($written), 'damaged');
                self::assertSame($written, Writer::write(Exporter::export($again)), "what was read stays as it is: seed $seed");
                $read++;
            } catch (MidiError $e) {
                self::assertMatchesRegularExpression('/\(at byte \d+\)/', $e->getMessage());
                $refused++;
            }
        }
        self::assertGreaterThan(100, $read);
        self::assertGreaterThan(100, $refused);
    }

    private static function damaged(string $bytes): string
    {
        for ($i = mt_rand(1, 4); $i > 0; $i--) {
            $at = mt_rand(0, strlen($bytes) - 1);
            $bytes = match (mt_rand(0, 3)) {
                0 => substr_replace($bytes, chr(mt_rand(0, 255)), $at, 1),
                1 => substr_replace($bytes, '', $at, mt_rand(1, 3)),
                2 => substr_replace($bytes, chr(mt_rand(0, 255)).chr(mt_rand(0, 127)), $at, 0),
                default => mt_rand(0, 3) === 0 ? substr($bytes, 0, max(20, $at)) : substr_replace($bytes, chr(ord($bytes[$at]) ^ 1 << mt_rand(0, 7)), $at, 1),
            };
        }

        return $bytes;
    }
}
