<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Editing\History;
use App\Editing\LongRequest;
use App\Http\Download;
use App\Http\Problems;
use App\Models\Song;
use App\Models\Track;
use App\Songs\Library;
use App\Songs\SongFile;
use App\Songs\SongView;
use App\Songs\Transaction;
use App\Windows\Presence;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\RowSet;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** The songs: list, open, import, export, rename, duplicate, delete and bring back. */
final class SongController
{
    public function index(): JsonResponse
    {
        $songs = [];
        $parts = self::partsOf(null);
        /** @var Collection<int, Song> $all */
        $all = Song::query()->orderByDesc('updated_at')->orderByDesc('id')->get();
        foreach ($all as $song) {
            $songs[] = self::summary($song, $parts[$song->id] ?? [0, 0]);
        }

        return new JsonResponse(['songs' => $songs]);
    }

    /** The song; with `brief` what is in its parts comes as columns. */
    public function show(int $song, Request $request): JsonResponse
    {
        return new JsonResponse((new SongView(Song::query()->findOrFail($song)))->whole($request->boolean('brief')));
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
        if ($file->getError() === UPLOAD_ERR_INI_SIZE || $file->getError() === UPLOAD_ERR_FORM_SIZE) {
            return Problems::tooLarge();
        }
        if (! $file->isValid()) {
            throw new Refusal('The file did not arrive whole; try again. Nothing was imported.', 'file');
        }
        $isSong = SongFile::is((string) file_get_contents($file->getPathname(), length: 4096));
        if ((int) $file->getSize() > config($isSong ? 'jactonic.song_limit' : 'jactonic.import_limit')) {
            return Problems::tooLarge($isSong);
        }
        [$song, $warnings] = $isSong ? [SongFile::read($file->getContent()), []] : Library::import($file->getContent(), $file->getClientOriginalName());

        return new JsonResponse(['song' => self::summary($song), 'warnings' => $warnings], 201);
    }

    /** An empty song of one track, to be written or recorded in. */
    public function store(Request $request): JsonResponse
    {
        $song = Library::fresh(Library::name($request->json('name') ?? 'New song'), $request->json('program') ?? 0);

        return new JsonResponse(['song' => self::summary($song), 'part' => DB::table('parts')->where('song_id', $song->id)->value('id')], 201);
    }

    /** The song as a MIDI file. Under a `key` it can be asked how far it is, and stopped, where it takes long. */
    public function export(int $song, Request $request): Response
    {
        $kept = Song::query()->findOrFail($song);
        $key = $request->string('key')->toString();
        $write = static fn (): string => Library::export($kept);

        return Download::midi($kept->name, $key === '' ? $write() : LongRequest::work($key, $write));
    }

    /** How the song stands, and which other windows are open on it. */
    public function presence(int $song, Request $request): JsonResponse
    {
        $answer = (new Presence(DB::connection()->getPdo(), storage_path('framework/windows')))->answer($song, $request->query->all());

        return $answer === null ? throw new NotFoundHttpException : new JsonResponse($answer);
    }

    /** The song with its history, to be imported on another machine. */
    public function whole(int $song): Response
    {
        $kept = Song::query()->findOrFail($song);

        return Download::file("$kept->name.jactonic", 'application/gzip', SongFile::write($kept));
    }

    /** The songs that were deleted, the last one first. */
    public function deleted(): JsonResponse
    {
        $songs = [];
        $parts = self::partsOf(null);
        /** @var Collection<int, Song> $all */
        $all = Song::onlyTrashed()->orderByDesc('deleted_at')->orderByDesc('id')->get();
        foreach ($all as $song) {
            $songs[] = ['deleted' => $song->deleted_at?->toIso8601String()] + self::summary($song, $parts[$song->id] ?? [0, 0]);
        }

        return new JsonResponse(['songs' => $songs]);
    }

    /** Removes a deleted song for good, with its history; the room that it took is given back. */
    public function remove(int $song): Response
    {
        Transaction::whole(static fn (): ?bool => Song::onlyTrashed()->findOrFail($song)->forceDelete());
        Library::giveRoomBack();

        return new Response('', 204);
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
        return Transaction::whole(static function () use ($song, $track, $request): JsonResponse {
            $kept = Song::query()->findOrFail($song);
            $row = Track::query()->where('song_id', $song)->findOrFail($track);
            foreach (['muted', 'soloed'] as $flag) {
                $value = $request->input($flag);
                if ($value !== null) {
                    $row->setAttribute($flag, is_bool($value) ? $value : throw Refusal::parameter($flag, $value, 'true or false'));
                }
            }
            if ($request->json('rows') !== null) {
                $row->setAttribute('rows', RowSet::read($request->json('rows'))->toArray());
            }
            $kept->revision++;
            $kept->save();
            $row->revision = $kept->revision;
            $row->save();

            return new JsonResponse(['revision' => $kept->revision, 'track' => ['id' => $row->id, 'name' => $row->name, 'muted' => $row->muted, 'soloed' => $row->soloed, 'rows' => RowSet::read($row->rows ?? [])->toArray()]]);
        });
    }

    /**
     * How many parts songs have and where the last of them ends: of all songs at once.
     *
     * @return array<int, array{int, int}> by song
     */
    private static function partsOf(?int $song): array
    {
        $found = DB::table('parts')->where('gone', false)->when($song !== null, static fn ($q) => $q->where('song_id', $song));
        $parts = [];
        /** @var object{song_id: int, count: int, last: int|null} $row */
        foreach ($found->groupBy('song_id')->selectRaw('song_id, count(*) as count, max(last_end) as last')->get() as $row) {
            $parts[$row->song_id] = [$row->count, $row->last ?? 0];
        }

        return $parts;
    }

    /**
     * @param  array{int, int}|null  $parts  how many, and where the last ends, where that is known
     * @return array<string, mixed>
     */
    private static function summary(Song $song, ?array $parts = null): array
    {
        $time = $song->time();
        [$count, $last] = $parts ?? self::partsOf($song->id)[$song->id] ?? [0, 0];

        return [
            'id' => $song->id,
            'name' => $song->name,
            'parts' => $count,
            'bars' => $last === 0 ? 0 : $time->meters->barAt($last - 1)->index + 1,
            'seconds' => $time->tempos->seconds($last),
            'changed' => $song->updated_at->toIso8601String(),
        ];
    }
}
