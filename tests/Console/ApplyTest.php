<?php

declare(strict_types=1);

namespace Tests\Console;

use Illuminate\Support\Facades\Artisan;
use Jactonic\Core\Midi\Reader;
use Jactonic\Core\Midi\Writer;
use Jactonic\Core\Tests\Support\Smf;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Console\Output\BufferedOutput;
use Symfony\Component\Process\Process;
use Tests\TestCase;

/** Edits on files, judged by readers of MIDI files that are not our own. */
final class ApplyTest extends TestCase
{
    private string $dir;

    protected function setUp(): void
    {
        parent::setUp();
        $this->dir = sys_get_temp_dir().'/jactonic-'.bin2hex(random_bytes(6));
        mkdir($this->dir);
        file_put_contents("$this->dir/in.mid", Smf::rich());
    }

    protected function tearDown(): void
    {
        array_map(unlink(...), (array) glob("$this->dir/*"));
        rmdir($this->dir);
        parent::tearDown();
    }

    /** @return array{int, string} exit code and what was said */
    private function apply(mixed $do, string $in = 'in.mid'): array
    {
        file_put_contents("$this->dir/edits.json", is_string($do) ? $do : json_encode($do, JSON_THROW_ON_ERROR));
        $output = new BufferedOutput;
        $code = Artisan::call('jactonic:apply', ['in' => "$this->dir/$in", 'out' => "$this->dir/out.mid", '--edits' => "$this->dir/edits.json", '--report' => "$this->dir/report.json"], $output);

        return [$code, $output->fetch()];
    }

    /** @return list<string> lines of midicsv, of one tick in a fixed order */
    private function csv(string $file): array
    {
        $process = new Process(['midicsv', "$this->dir/$file"]);
        $process->mustRun();
        $lines = array_map(static function (string $line): array {
            $cells = explode(', ', trim($line), 3);

            return [(int) $cells[0], (int) $cells[1], $cells[2] ?? ''];
        }, explode("\n", trim($process->getOutput())));
        sort($lines);

        return array_map(static fn (array $l): string => "$l[0], $l[1], $l[2]", $lines);
    }

    /** @return list<array{int, int, int, int}> start, length, pitch, velocity as mido counts them */
    private function mido(string $file): array
    {
        $process = new Process(['/usr/bin/python3', '-c', <<<'PY'
            import json, mido, sys
            out = []
            for track in mido.MidiFile(sys.argv[1]).tracks:
                now, open_ = 0, {}
                for m in track:
                    now += m.time
                    if m.type == 'note_on' and m.velocity > 0: open_.setdefault((m.channel, m.note), []).append((now, m.velocity))
                    elif m.type in ('note_on', 'note_off') and open_.get((m.channel, m.note)):
                        start, velocity = open_[(m.channel, m.note)].pop(0)
                        out.append([start, now - start, m.note, velocity])
            print(json.dumps(sorted(out)))
            PY, "$this->dir/$file"]);
        $process->mustRun();

        return json_decode($process->getOutput(), true);
    }

    public function test_with_an_empty_list_another_reader_finds_the_same_events(): void
    {
        [$code] = $this->apply([]);

        self::assertSame(0, $code);
        self::assertSame($this->csv('in.mid'), $this->csv('out.mid'));
        self::assertSame($this->mido('in.mid'), $this->mido('out.mid'));
    }

    public function test_edits_are_done_and_what_is_not_edited_stays(): void
    {
        [$code] = $this->apply(['do' => [
            ['edit' => 'quantize', 'on' => ['track' => 1], 'params' => ['grid' => '1/8', 'strength' => 100]],
            ['edit' => 'transpose', 'on' => ['track' => 1, 'pick' => ['pitch' => ['max' => 36]]], 'params' => ['semitones' => 12]],
            ['edit' => 'velocity-set', 'on' => [['track' => 2]], 'params' => ['value' => 99]],
        ]]);

        self::assertSame(0, $code);
        self::assertSame([[0, 24, 42, 99], [0, 45, 43, 81], [0, 45, 48, 80], [24, 24, 42, 99], [96, 90, 38, 96]], $this->mido('out.mid'));
        $quiet = static fn (array $lines): array => array_values(array_filter($lines, static fn (string $l): bool => ! str_contains($l, 'Note_')));
        self::assertSame($quiet($this->csv('in.mid')), $quiet($this->csv('out.mid')));
        $report = json_decode((string) file_get_contents("$this->dir/report.json"), true);
        self::assertSame(['3 notes quantized to 1/8', '1 note up an octave.', '2 notes at velocity 99.'], array_map(static fn (array $e): string => explode(':', $e['said'])[0], $report['edits']));
        self::assertSame([['track' => 1, 'name' => 'Bassür', 'notes' => 3], ['track' => 2, 'name' => 'Part 2', 'notes' => 2]], $report['tracks']);
    }

    public function test_settings_times_parts_and_tracks_are_as_everywhere(): void
    {
        $bar = ['unit' => 'bar', 'amount' => 1];
        [$code, $said] = $this->apply(['do' => [
            ['set' => ['grid' => '1/8'], 'on' => ['track' => 1]],
            ['edit' => 'quantize', 'on' => ['track' => 1]],
            ['edit' => 'transpose', 'on' => ['tracks' => [1]], 'params' => ['semitones' => 1], 'times' => 3],
            ['edit' => 'part-move', 'on' => ['parts' => [2]], 'params' => ['steps' => 1, 'by' => $bar]],
            ['edit' => 'track-new', 'params' => ['program' => 11, 'name' => 'Bells']],
            ['edit' => 'insert', 'on' => ['part' => 3], 'params' => ['notes' => [['start' => 960, 'length' => 960, 'pitch' => 80, 'velocity' => 55]]]],
            ['edit' => 'marker-set', 'params' => ['name' => 'Gangway', 'at' => 1920]],
            ['edit' => 'marker-set', 'params' => ['name' => 'Mooring', 'at' => '3.2']],
        ]]);

        self::assertSame([0, ''], [$code, $said]);
        self::assertSame([[0, 45, 39, 80], [0, 45, 46, 81], [96, 90, 41, 96], [96, 96, 80, 55], [384, 24, 42, 64], [408, 24, 42, 65]], $this->mido('out.mid'));
        $csv = implode("\n", $this->csv('out.mid'));
        self::assertStringContainsString('Title_t, "Bells"', $csv);
        self::assertStringContainsString('192, Marker_t, "Gangway"', $csv);
        self::assertStringContainsString('768, Marker_t, "Mooring"', $csv, 'the second beat of a bar of three');
    }

    public function test_parts_are_arranged_as_on_the_song_page(): void
    {
        [$code, $said] = $this->apply(['do' => [
            ['edit' => 'part-crop', 'on' => ['parts' => [2]], 'params' => ['from' => 0, 'to' => 960]],
            ['edit' => 'part-loop', 'on' => ['parts' => [2]], 'params' => ['until' => 2880]],
            ['edit' => 'part-plays', 'on' => ['parts' => [1]], 'params' => ['transpose' => -12, 'velocity' => 50]],
            ['edit' => 'track-level', 'on' => ['tracks' => [1]], 'params' => ['volume' => 77]],
            ['edit' => 'move-to-track', 'on' => ['track' => 1, 'pick' => ['pitch' => ['max' => 36]]], 'params' => ['tracks' => 1, 'copy' => true]],
            ['edit' => 'insert-time', 'params' => ['from' => 0, 'to' => 3840]],
        ]]);

        self::assertSame([0, ''], [$code, $said]);
        $notes = $this->mido('out.mid');
        // Three rounds of the hats, a bar later; the bass an octave lower at half the loudness, its copy with the drums.
        self::assertSame([384, 480, 576], array_values(array_unique(array_map(static fn (array $n): int => $n[0], array_filter($notes, static fn (array $n): bool => $n[2] === 42 && $n[0] % 96 === 0)))));
        self::assertContains([24, 40], array_map(static fn (array $n): array => [$n[2], $n[3]], $notes));
        self::assertMatchesRegularExpression('/Control_c, \d+, 7, 77/', implode("\n", $this->csv('out.mid')));
    }

    public function test_a_file_of_format_0_has_its_channels_as_tracks(): void
    {
        file_put_contents("$this->dir/zero.mid", Smf::file([Smf::at(0, '93 3C 40').Smf::at(0, '91 30 40').Smf::at(96, '83 3C 40').Smf::at(0, '81 30 40').Smf::END], 0));
        [$code] = $this->apply([['edit' => 'transpose', 'on' => ['track' => 2], 'params' => ['semitones' => 1]]], 'zero.mid');

        self::assertSame(0, $code);
        self::assertSame([[0, 96, 48, 64], [0, 96, 61, 64]], $this->mido('out.mid'));
        self::assertStringContainsString('Header, 0, 1, 96', implode("\n", $this->csv('out.mid')));
    }

    /** @return iterable<string, array{mixed, string, string}> */
    public static function bad(): iterable
    {
        $on = ['track' => 1];
        yield 'no such file' => [[], 'none.mid', 'cannot be read'];
        yield 'not a MIDI file' => [[], 'edits.json', 'not a Standard MIDI File'];
        yield 'not JSON' => ['{"do": [', 'in.mid', 'no list of edits'];
        yield 'no list' => [['do' => 'quantize'], 'in.mid', 'no list of edits'];
        yield 'no such edit' => [[['edit' => 'quantise', 'on' => $on]], 'in.mid', 'Edit 1 of the list'];
        yield 'no such track' => [[['edit' => 'mute', 'on' => ['track' => 3]]], 'in.mid', '1 to 2'];
        yield 'no such parameter' => [[['edit' => 'mute', 'on' => $on], ['edit' => 'quantize', 'on' => $on, 'params' => ['grid' => '1/5']]], 'in.mid', 'Edit 2 of the list: “grid” was "1/5"'];
        yield 'a grid left out, which no file can say' => [[['edit' => 'quantize', 'on' => $on]], 'in.mid', '“grid” is missing'];
        yield 'notes that would go beyond the highest or lowest pitch' => [[['edit' => 'transpose', 'on' => $on, 'params' => ['semitones' => 100]]], 'in.mid', 'cannot go up 100'];
    }

    #[DataProvider('bad')]
    public function test_a_bad_file_or_edit_ends_in_2_with_the_reason_and_no_output(mixed $do, string $in, string $why): void
    {
        [$code, $said] = $this->apply($do, $in);

        self::assertSame(2, $code);
        self::assertStringContainsString($why, $said);
        self::assertFileDoesNotExist("$this->dir/out.mid");
    }

    public function test_it_speaks_on_standard_error_and_needs_no_database(): void
    {
        $process = new Process([PHP_BINARY, 'artisan', 'jactonic:apply', "$this->dir/none.mid", "$this->dir/out.mid", '--edits=none.json'], base_path(), ['DB_DATABASE' => '/nowhere/at/all.sqlite']);
        $process->run();

        self::assertSame([2, ''], [$process->getExitCode(), $process->getOutput()]);
        self::assertStringContainsString('none.mid cannot be read', $process->getErrorOutput());
    }

    public function test_an_output_that_cannot_be_written_is_said_and_the_old_file_stays(): void
    {
        mkdir("$this->dir/out.mid");
        [$code, $said] = $this->apply([]);
        rmdir("$this->dir/out.mid");

        self::assertSame(2, $code);
        self::assertStringContainsString('is a directory', $said);
        self::assertSame([], (array) glob("$this->dir/*.part"));
    }

    /** @param  list<string>  $arguments */
    private function artisan2(array $arguments): Process
    {
        $process = new Process([PHP_BINARY, base_path('artisan'), 'jactonic:apply', ...$arguments], $this->dir);
        $process->run();

        return $process;
    }

    public function test_nothing_of_the_persons_own_is_touched_but_the_file_named(): void
    {
        file_put_contents("$this->dir/out.mid.part", 'mine');
        file_put_contents("$this->dir/real.mid", 'old');
        symlink("$this->dir/real.mid", "$this->dir/out.mid");
        self::assertSame([0, ''], $this->apply([]));

        self::assertSame('mine', file_get_contents("$this->dir/out.mid.part"));
        self::assertTrue(is_link("$this->dir/out.mid"), 'a link stays one');
        self::assertStringStartsWith('MThd', (string) file_get_contents("$this->dir/real.mid"));
        self::assertSame([], glob("$this->dir/.*mid.*"), 'nothing half-written is left');
    }

    public function test_a_protected_file_stays_and_no_report_is_left_alone(): void
    {
        mkdir("$this->dir/sub");
        [$code, $said] = (function (): array {
            file_put_contents("$this->dir/edits.json", '[]');
            $output = new BufferedOutput;

            return [Artisan::call('jactonic:apply', ['in' => "$this->dir/in.mid", 'out' => "$this->dir/sub", '--edits' => "$this->dir/edits.json", '--report' => "$this->dir/report.json"], $output), $output->fetch()];
        })();
        rmdir("$this->dir/sub");
        self::assertSame(2, $code);
        self::assertStringContainsString('is a directory; name a file. No file was written.', $said);
        self::assertFileDoesNotExist("$this->dir/report.json");
        // The other way round: a report that cannot be written keeps the output back.
        file_put_contents("$this->dir/out.mid", 'old');
        $output = new BufferedOutput;
        self::assertSame(2, Artisan::call('jactonic:apply', ['in' => "$this->dir/in.mid", 'out' => "$this->dir/out.mid", '--edits' => "$this->dir/edits.json", '--report' => "$this->dir/none/report.json"], $output));
        self::assertSame('old', file_get_contents("$this->dir/out.mid"));
    }

    public function test_a_write_protected_file_is_not_replaced(): void
    {
        if (posix_geteuid() === 0) {
            // The superuser may write everywhere: asked as somebody else.
            chmod($this->dir, 0777);
        }
        file_put_contents("$this->dir/out.mid", 'old');
        chmod("$this->dir/out.mid", 0444);
        file_put_contents("$this->dir/edits.json", '[]');
        chmod("$this->dir/edits.json", 0644);
        $code = sprintf('require %s; if (posix_geteuid() === 0) { posix_setuid(65534); } try { (new App\\Console\\Files)->put(%s, "new"); echo "written"; } catch (Throwable $e) { echo $e->getMessage(); }', var_export(base_path('vendor/autoload.php'), true), var_export("$this->dir/out.mid", true));
        $process = new Process([PHP_BINARY, '-r', $code]);
        $process->run();

        self::assertSame("$this->dir/out.mid is write-protected. No file was written.", $process->getOutput());
        self::assertSame('old', file_get_contents("$this->dir/out.mid"));
    }

    public function test_a_command_line_that_is_wrong_ends_in_2_on_standard_error(): void
    {
        foreach ([['in.mid'], ['in.mid', 'out.mid', '--edit=x.json'], []] as $arguments) {
            $process = $this->artisan2($arguments);
            self::assertSame([2, ''], [$process->getExitCode(), $process->getOutput()]);
            self::assertStringContainsString('No file was written. Usage: jactonic:apply', $process->getErrorOutput());
        }
        self::assertFileDoesNotExist("$this->dir/out.mid");
    }

    public function test_what_is_no_list_and_numbers_beyond_bounds_are_said(): void
    {
        foreach (['{}' => 'holds no list of edits', '{"do": {}}' => 'holds no list of edits', '[{"edit":"velocity-add","on":{"track":1},"params":{"amount":1e999}}]' => 'a number beyond all bounds',
            '[{"edit":"velocity-add","on":{"track":1,"pick":{"velocity":{"min":90,"max":10}}},"params":{"amount":1}}]' => 'a least that is not above the most'] as $edits => $why) {
            [$code, $said] = $this->apply($edits);
            self::assertSame(2, $code, $edits);
            self::assertStringContainsString($why, $said);
        }
    }

    public function test_the_writers_own_bytes_are_read_by_others(): void
    {
        file_put_contents("$this->dir/out.mid", Writer::write(Reader::read(Smf::rich())));

        self::assertSame($this->csv('in.mid'), $this->csv('out.mid'));
    }

    public function test_the_demo_song_goes_into_an_empty_library_only(): void
    {
        Artisan::call('jactonic:demo');
        Artisan::call('jactonic:demo');
        self::assertSame(['Lantern Ferry'], array_column((array) $this->getJson('/api/songs')->json('songs'), 'name'));
    }

    public function test_a_recipe_out_of_a_file_is_run_on_every_note(): void
    {
        $recipe = ['kind' => 'recipes', 'recipes' => [
            ['name' => 'Louder, then up', 'pick' => ['velocity' => ['max' => 64]], 'steps' => [['recipe' => 'up'], ['edit' => 'velocity-set', 'params' => ['value' => 99]]]],
            ['name' => 'Up', 'steps' => [['edit' => 'transpose', 'params' => ['semitones' => 12]]]],
        ]];
        file_put_contents("$this->dir/recipe.json", json_encode($recipe));
        $run = fn (): int => Artisan::call('jactonic:apply', ['in' => "$this->dir/in.mid", 'out' => "$this->dir/out.mid", '--recipe' => "$this->dir/recipe.json"], new BufferedOutput);

        self::assertSame(0, $run());
        // The one note at velocity 0x40 of the third track, two of the drums: 42 and 64 become 54 and 99.
        self::assertSame(['3, 0, Note_on_c, 9, 54, 99', '3, 24, Note_on_c, 9, 42, 65'], array_values(array_filter($this->csv('out.mid'), static fn (string $l): bool => str_starts_with($l, '3,') && str_contains($l, 'Note_on') && ! str_ends_with($l, ', 0'))));

        unlink("$this->dir/out.mid");
        file_put_contents("$this->dir/recipe.json", json_encode(['name' => 'x', 'steps' => [['edit' => 'explode']]]));
        self::assertSame(2, $run());
        self::assertFileDoesNotExist("$this->dir/out.mid");
    }
}
