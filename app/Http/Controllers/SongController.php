<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Editing\History;
use App\Http\Problems;
use App\Models\Song;
use App\Models\Track;
use App\Songs\Keeping;
use App\Songs\Library;
use App\Songs\SongView;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Jactonic\Core\Refusal;

/** The songs: list, open, import, export, rename, duplicate, delete and bring back. */
final class SongController
{
    public function index(): JsonResponse
    {
        $songs = [];
        foreach (Song::query()->get()->sortByDesc(static fn (Song $s): string => $s->updated_at->toIso8601String().sprintf('%010d', $s->id)) as $song) {
            $songs[] = self::summary($song);
        }

        return new JsonResponse(['songs' => $songs]);
    }

    public function show(int $song): JsonResponse
    {
        return new JsonResponse((new SongView(Song::query()->findOrFail($song)))->whole());
    }

    /** What changed after the revision `since`. */
    public function changes(int $song, Request $request): JsonResponse
    {
        return new JsonResponse((new SongView(Song::query()->findOrFail($song)))->since((int) $request->string('since')->toString()));
    }

    public function import(Request $request): JsonResponse
    {
        $file = $request->file('file');
        if (! $file instanceof UploadedFile) {
            throw new Refusal('No file came with the request. Nothing was imported.', 'file');
        }
        if ($file->getError() === UPLOAD_ERR_INI_SIZE || $file->getError() === UPLOAD_ERR_FORM_SIZE || (int) $file->getSize() > config('jactonic.import_limit')) {
            return Problems::tooLarge();
        }
        if (! $file->isValid()) {
            throw new Refusal('The file did not arrive whole; try again. Nothing was imported.', 'file');
        }
        [$song, $warnings] = Library::import($file->getContent(), $file->getClientOriginalName());

        return new JsonResponse(['song' => self::summary($song), 'warnings' => $warnings], 201);
    }

    /** An empty song of one track, to be written or recorded in. */
    public function store(Request $request): JsonResponse
    {
        $song = Library::fresh(Library::name($request->json('name') ?? 'New song'), $request->json('program') ?? 0);

        return new JsonResponse(['song' => self::summary($song), 'part' => DB::table('parts')->where('song_id', $song->id)->value('id')], 201);
    }

    public function export(int $song): Response
    {
        $kept = Song::query()->findOrFail($song);
        $name = trim((string) preg_replace('/[^\p{L}\p{N} ._()-]+/u', ' ', $kept->name)) ?: 'song';
        $plain = trim((string) preg_replace('/[^A-Za-z0-9 ._()-]+/', '_', $name));

        return new Response(Library::export($kept), 200, [
            'Content-Type' => 'audio/midi',
            'Content-Disposition' => sprintf("attachment; filename=\"%s.mid\"; filename*=UTF-8''%s.mid", $plain, rawurlencode($name)),
        ]);
    }

    /** Gives the song another name: an edit like others, which can be undone. */
    public function update(int $song, Request $request): JsonResponse
    {
        $kept = Song::query()->findOrFail($song);
        History::run($kept->id, $kept->revision, [['edit' => 'song-rename', 'params' => ['name' => $request->json('name')]]], false);

        return new JsonResponse(['song' => self::summary($kept->refresh())]);
    }

    public function duplicate(int $song): JsonResponse
    {
        return new JsonResponse(['song' => self::summary(Library::duplicate(Song::query()->findOrFail($song)))], 201);
    }

    /** The song is put away, not destroyed: `restore` brings it back with its history. */
    public function destroy(int $song): Response
    {
        Song::query()->findOrFail($song)->delete();

        return new Response('', 204);
    }

    public function restore(int $song): JsonResponse
    {
        $kept = Song::withTrashed()->findOrFail($song);
        $kept->restore();

        return new JsonResponse(['song' => self::summary($kept)]);
    }

    /** Mutes or solos a track; what is left out stays. */
    public function track(int $song, int $track, Request $request): JsonResponse
    {
        return Keeping::whole(static function () use ($song, $track, $request): JsonResponse {
            $kept = Song::query()->findOrFail($song);
            $row = Track::query()->where('song_id', $song)->findOrFail($track);
            foreach (['muted', 'soloed'] as $flag) {
                $value = $request->input($flag);
                if ($value !== null) {
                    $row->setAttribute($flag, is_bool($value) ? $value : throw Refusal::parameter($flag, $value, 'true or false'));
                }
            }
            $kept->revision++;
            $kept->save();
            $row->revision = $kept->revision;
            $row->save();

            return new JsonResponse(['revision' => $kept->revision, 'track' => ['id' => $row->id, 'name' => $row->name, 'muted' => $row->muted, 'soloed' => $row->soloed]]);
        });
    }

    /** @return array<string, mixed> */
    private static function summary(Song $song): array
    {
        $time = $song->time();
        $parts = $song->parts()->toBase()->where('gone', false);
        $last = (clone $parts)->max('last_end');
        $last = is_int($last) ? $last : 0;

        return [
            'id' => $song->id,
            'name' => $song->name,
            'parts' => $parts->count(),
            'bars' => $last === 0 ? 0 : $time->meters->barAt($last - 1)->index + 1,
            'seconds' => $time->tempos->seconds($last),
            'changed' => $song->updated_at->toIso8601String(),
        ];
    }
}
