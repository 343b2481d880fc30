<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Models\Song;
use Jactonic\Core\Score\Ids;
use Jactonic\Core\Score\Table;
use Jactonic\Core\Sounding\Sounding;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** Answers to who takes what changed of many by its columns: they come to the same as rows do. */
final class BriefTest extends TestCase
{
    private const NOTES = 90;

    private function many(): Song
    {
        $song = $this->song();
        $notes = array_map(static fn (int $i): array => ['start' => 960 + $i * 130, 'length' => 90 + $i % 7, 'pitch' => 40 + $i % 40, 'velocity' => 30 + $i % 60], range(1, self::NOTES));
        $points = array_map(static fn (int $i): array => [$i * 60, $i % 128], range(1, self::NOTES));
        $on = ['part' => $this->partId($song), 'notes' => []];
        $this->do($song, [['edit' => 'insert', 'on' => $on, 'params' => ['notes' => $notes]], ['edit' => 'lane-draw', 'on' => $on, 'params' => ['lane' => 'cc:1', 'points' => $points]]])->assertOk();

        return $song->refresh();
    }

    /** @return array{array<int, array<string, mixed>>, array<int, array<string, mixed>>} notes and points as the whole song tells them, by id */
    private function told(Song $song): array
    {
        $part = $this->getJson("/api/songs/$song->id")->json('tracks.0.parts.0');
        self::assertIsArray($part);
        $rows = static fn (mixed $rows, array $names): array => array_column(array_map(static fn (mixed $row): array => array_combine($names, (array) $row), (array) $rows), null, 'id');

        return [$rows($part['notes'], [...Table::notes()->shown, 'until']), $rows($part['points'], [...Table::points()->shown, 'heard'])];
    }

    /** @return list<array{array<string, mixed>}> */
    public static function edits(): array
    {
        return [
            [['edit' => 'transpose', 'params' => ['semitones' => 3]]],
            [['edit' => 'nudge', 'params' => ['steps' => 1]]],
            [['edit' => 'quantize', 'params' => ['grid' => '1/8']]],
            [['edit' => 'mute']],
            [['edit' => 'resize', 'params' => ['steps' => 1]]],
            [['edit' => 'velocity-add', 'params' => ['amount' => 9]]],
            [['edit' => 'split', 'params' => ['into' => 2]]],
            [['edit' => 'delete']],
        ];
    }

    /** @param  array<string, mixed>  $edit */
    #[DataProvider('edits')]
    public function test_what_is_told_by_columns_comes_to_what_the_song_is(array $edit): void
    {
        $song = $this->many();
        [$notes, $points] = $this->told($song);
        $part = $this->partId($song);
        foreach ([['do' => [$edit + ['on' => ['part' => $part, 'notes' => array_keys($notes)]]]], 'undo', 'redo'] as $way) {
            $answer = is_array($way) ? $this->do($song->refresh(), $way['do'], ['brief' => true]) : $this->postJson("/api/songs/$song->id/$way", ['base' => $song->refresh()->revision, 'brief' => true]);
            $answer->assertOk();
            $told = (array) $answer->json("parts.$part");
            foreach (['drop' => &$notes, 'dropPoints' => &$points] as $which => &$things) {
                $things = array_diff_key($things, array_flip((array) ($told[$which] ?? [])));
            }
            foreach ([['changed', 'put', [...Table::notes()->shown, 'until'], &$notes], ['changedPoints', 'putPoints', [...Table::points()->shown, 'heard'], &$points]] as [$changed, $put, $names, &$there]) {
                foreach (self::spread($told[$changed]['id'] ?? []) as $i => $id) {
                    $columns = array_diff_key((array) $told[$changed], ['id' => true]);
                    foreach ($columns as $name => $values) {
                        $there[$id][$name] = is_array($values) ? $values[$i] : $there[$id][$name] + $values;
                    }
                    // What is not said of them: each sounds to its end, and is heard.
                    if ($changed === 'changed' && ! isset($columns['until']) && array_intersect(Sounding::HANGS_ON, array_keys($columns)) !== []) {
                        $there[$id]['until'] = $there[$id]['start'] + $there[$id]['length'];
                    } elseif (isset($columns['tick']) && ! isset($columns['heard'])) {
                        $there[$id]['heard'] = 1;
                    }
                }
                foreach ((array) ($told[$put] ?? []) as $row) {
                    $row = array_combine($names, (array) $row);
                    $there[$row['id']] = $row;
                }
            }
            unset($there, $things);
            ksort($notes);
            ksort($points);
            self::assertEquals($this->told($song), [$notes, $points]);
        }
    }

    public function test_many_are_told_by_the_columns_that_changed_and_the_choice_only_where_it_is_another(): void
    {
        $song = $this->many();
        $part = $this->partId($song);
        $ids = array_keys($this->told($song)[0]);
        $up = ['edit' => 'transpose', 'params' => ['semitones' => 1]];

        $answer = $this->do($song, [$up], ['brief' => true, 'on' => ['part' => $part, 'notes' => $ids]])->assertOk();
        self::assertSame(['id', 'pitch'], array_keys((array) $answer->json("parts.$part.changed")));
        self::assertSame([[], null], [$answer->json("parts.$part.put"), $answer->json('selection')]);

        // A few are told by rows, and whoever does not ask for it gets rows.
        $few = array_slice($ids, 0, 3);
        $answer = $this->do($song->refresh(), [$up], ['brief' => true, 'on' => ['part' => $part, 'notes' => $few]]);
        self::assertSame([3, $few], [count((array) $answer->json("parts.$part.put")), self::spread($answer->json('selection.0.notes'))]);
        $answer = $this->do($song->refresh(), [$up], ['on' => ['part' => $part, 'notes' => $ids]]);
        self::assertSame([count($ids), null], [count((array) $answer->json("parts.$part.put")), $answer->json("parts.$part.changed")]);

        // Another choice is told.
        $answer = $this->do($song->refresh(), [['select' => 'none'], ['select' => 'all']], ['brief' => true, 'on' => ['part' => $part, 'notes' => $few]]);
        self::assertSame($ids, self::spread($answer->json('selection.0.notes')));
        self::assertLessThan(5, count((array) $answer->json('selection.0.notes')), 'those that follow one another are told as a pair');

        $this->postJson("/api/songs/$song->id/edits", ['base' => $song->refresh()->revision, 'brief' => 'yes', 'do' => [$up]])->assertStatus(422)->assertJsonPath('parameter', 'brief');
    }

    public function test_a_landing_is_told_the_same_way(): void
    {
        $song = $this->many();
        $part = $this->partId($song);
        $ids = array_keys($this->told($song)[0]);
        $body = ['brief' => true, 'do' => [['edit' => 'velocity-add', 'on' => ['part' => $part, 'notes' => $ids], 'params' => ['amount' => 4]]]];

        $landing = $this->postJson("/api/songs/$song->id/landing", $body)->assertOk();
        $edit = $this->do($song, $body['do'], ['brief' => true])->assertOk();

        self::assertSame(['id', 'velocity'], array_keys((array) $landing->json("parts.$part.changed")));
        self::assertSame($edit->json("parts.$part"), $landing->json("parts.$part"));
    }

    public function test_points_are_told_by_columns_too(): void
    {
        $song = $this->many();
        $part = $this->partId($song);
        $lane = ['part' => $part, 'lane' => 'cc:1', 'points' => array_keys(array_filter($this->told($song)[1], static fn (array $p): bool => $p['status'] === 0xB0 && $p['data1'] === 1))];
        self::assertGreaterThan(64, count($lane['points']));

        $answer = $this->do($song, [['edit' => 'velocity-set', 'params' => ['value' => 40]]], ['brief' => true, 'on' => $lane])->assertOk();

        self::assertSame(['id', 'data2'], array_keys((array) $answer->json("parts.$part.changedPoints")));
        self::assertSame([40], array_values(array_unique((array) $answer->json("parts.$part.changedPoints.data2"))));
    }

    public function test_a_song_by_columns_is_the_song_by_rows(): void
    {
        $song = $this->many();
        $part = $this->partId($song);
        // Muted, cut off at a window's end, with an articulation: what is not nought, and what sounds otherwise.
        $this->do($song, [['edit' => 'mute', 'on' => ['part' => $part, 'notes' => [3]]], ['edit' => 'part-window', 'on' => ['parts' => [$part]], 'params' => ['from' => 0, 'to' => 5000]]])->assertOk();
        foreach ([$song->id, $this->song('Empty')->id] as $id) {
            $rows = (array) $this->getJson("/api/songs/$id")->json();
            $brief = (array) $this->getJson("/api/songs/$id?brief=1")->json();
            foreach ((array) $brief['tracks'] as $t => $track) {
                foreach ($track['parts'] as $p => $told) {
                    $of = static fn (array $columns, array $names, callable $besides): array => array_map(static fn (int $i): array => array_map(
                        static fn (string $name): mixed => isset($columns[$name]) ? $columns[$name][$i] : $besides($name, $i),
                        $names,
                    ), array_keys($columns['id']));
                    $notes = ['id' => self::spread($told['notes']['id'])] + $told['notes'];
                    $points = ['id' => self::spread($told['points']['id'])] + $told['points'];
                    $brief['tracks'][$t]['parts'][$p]['notes'] = $of($notes, [...Table::notes()->shown, 'until'], static fn (string $name, int $i): mixed => match ($name) {
                        'until' => $notes['start'][$i] + $notes['length'][$i], 'own' => '', default => 0,
                    });
                    $brief['tracks'][$t]['parts'][$p]['points'] = $of($points, [...Table::points()->shown, 'heard'], static fn (string $name): int => $name === 'heard' ? 1 : 0);
                }
            }
            self::assertEquals($rows, $brief);
        }
        self::assertLessThan(strlen((string) $this->getJson("/api/songs/$song->id")->getContent()), strlen((string) $this->getJson("/api/songs/$song->id?brief=1")->getContent()));
    }

    /** @return list<int> ids as they were told */
    private static function spread(mixed $ids): array
    {
        /** @var list<int|array{int, int}> $ids */
        return Ids::spread($ids);
    }
}
