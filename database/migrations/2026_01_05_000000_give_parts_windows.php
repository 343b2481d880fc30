<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use Jactonic\Core\Score\PartHead;
use Jactonic\Core\Score\Rows;
use Jactonic\Core\Score\Table;
use Jactonic\Core\Standard\Message;
use Jactonic\Core\Time\Timeline;

/** Parts get a place and a window, documents are packed, tracks and parts that are taken away stay out of sight, markers come out of what tracks kept. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('songs', static function (Blueprint $table): void {
            $table->json('markers')->default('[]');
        });
        Schema::table('tracks', static function (Blueprint $table): void {
            $table->dropUnique(['song_id', 'position']);
            $table->boolean('gone')->default(false);
            $table->index(['song_id', 'gone']);
        });
        Schema::table('parts', static function (Blueprint $table): void {
            $table->bigInteger('origin')->default(0);
            $table->unsignedBigInteger('window_from')->default(0);
            $table->unsignedBigInteger('window_to')->default(PartHead::OPEN);
            $table->boolean('muted')->default(false);
            $table->boolean('gone')->default(false);
            $table->binary('notes')->default('');
            $table->binary('points')->default('');
            $table->index(['song_id', 'gone']);
        });
        Schema::table('steps', static function (Blueprint $table): void {
            // What was selected before the step and after it, each as an `on`.
            $table->json('chosen')->nullable();
            $table->index('parent_id');
        });
        /** @var object{id: int, ppq: int, tempos: string, meters: string} $song */
        foreach (DB::table('songs')->get() as $song) {
            $this->song($song);
        }
        Schema::table('parts', static function (Blueprint $table): void {
            $table->dropColumn('document');
        });
        // Commands that got other names, in what people made of them.
        $names = ['"nudge-part"' => '"part-move"', '"new-part"' => '"part-new"', '"new-track"' => '"track-new"', '"rest":"selected"' => '"rest":"chosen"'];
        foreach (['key_sets', 'recipes'] as $table) {
            foreach (DB::table($table)->get() as $row) {
                $texts = array_filter((array) $row, is_string(...));
                $changed = array_map(static fn (string $t): string => strtr($t, $names), $texts);
                if ($changed !== $texts) {
                    DB::table($table)->where('id', $row->id)->update($changed);
                }
            }
        }
    }

    /** @param  object{id: int, ppq: int, tempos: string, meters: string}  $song */
    private function song(object $song): void
    {
        /** @var list<array{int, int, int, int}> $tempos */
        $tempos = json_decode($song->tempos, true, 8, JSON_THROW_ON_ERROR);
        /** @var list<array{int, int, int, int, int, int, int}> $meters */
        $meters = json_decode($song->meters, true, 8, JSON_THROW_ON_ERROR);
        $time = Timeline::of($song->ppq, $tempos, $meters);
        $markers = [];
        /** @var object{id: int, kept: string, position: int} $track */
        foreach (DB::table('tracks')->where('song_id', $song->id)->get() as $track) {
            /** @var list<array{int, int, int, int, string}> $kept */
            $kept = json_decode($track->kept, true, 8, JSON_THROW_ON_ERROR);
            $isMarker = static fn (array $k): bool => $k[2] === Message::META && $k[3] === Message::META_MARKER;
            foreach (array_filter($kept, $isMarker) as $k) {
                $markers[] = [$k[0], $k[4], $track->position, $k[1]];
            }
            DB::table('tracks')->where('id', $track->id)->update(['kept' => json_encode(array_values(array_filter($kept, static fn (array $k): bool => ! $isMarker($k))), JSON_THROW_ON_ERROR)]);
        }
        DB::table('songs')->where('id', $song->id)->update(['markers' => json_encode($markers, JSON_THROW_ON_ERROR)]);
        foreach (DB::table('parts')->where('song_id', $song->id)->pluck('id') as $id) {
            /** @var object{document: string, last_end: int} $part */
            $part = DB::table('parts')->where('id', $id)->first();
            /** @var array{notes?: array<string, list<mixed>>, points?: array<string, list<mixed>>} $document */
            $document = json_decode($part->document, true, 16, JSON_THROW_ON_ERROR);
            $notes = Table::notes()->read($document['notes'] ?? []);
            $points = Table::points()->read($document['points'] ?? []);
            $last = max(0, $part->last_end - 1);
            foreach ($points as $point) {
                $last = max($last, $point->tick);
            }
            DB::table('parts')->where('id', $id)->update([
                'notes' => Rows::of(Table::notes(), $notes)->bytes(), 'points' => Rows::of(Table::points(), $points)->bytes(),
                'window_to' => $time->meters->barAt($last)->end(),
            ]);
        }
    }

    public function down(): void
    {
        throw new LogicException('What is packed is not unpacked again: keep the data file of before.');
    }
};
