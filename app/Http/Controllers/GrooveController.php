<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Editing\History;
use App\Http\Download;
use App\Http\ImportConflict;
use App\Models\Groove;
use App\Models\Song;
use App\Songs\Transaction;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Jactonic\Core\Refusal;
use Jactonic\Core\Time\Groove as CoreGroove;

/** Feels: taken from notes, brought as a file, kept with a song or on the shelf. */
final class GrooveController
{
    /** Those of the song, then those on the shelf. */
    public function index(int $song): JsonResponse
    {
        $id = Song::query()->findOrFail($song)->id;
        $grooves = [];
        foreach ([$id, null] as $where) {
            foreach (Groove::query()->where('song_id', $where)->get() as $groove) {
                $grooves[] = self::show($groove);
            }
        }

        return new JsonResponse(['grooves' => $grooves]);
    }

    /**
     * Takes one from notes (`on`, `grid`, `name`), or keeps the one given (`groove`). Where one of its name is there, `as`
     * says whether both are kept or that is replaced: then `replaced` is how it was.
     *
     * @throws ImportConflict where one is there and `as` is left out
     */
    public function store(int $song, Request $request): JsonResponse
    {
        $kept = Song::query()->findOrFail($song);
        $given = $request->json('groove');
        $groove = $given !== null ? CoreGroove::fromArray($given) : CoreGroove::fromArray(History::reading($kept, 'groove-reading', $request->json('on'), ['name' => $request->json('name'), 'grid' => $request->json('grid')], null));
        $shelf = $request->json('shelf', false);
        if (! is_bool($shelf)) {
            throw Refusal::parameter('shelf', $shelf, 'true or false');
        }

        $as = ImportConflict::how($request->json('as'));
        $where = $shelf ? null : $kept->id;

        return Transaction::whole(static function () use ($groove, $where, $as): JsonResponse {
            $there = Groove::query()->where('song_id', $where)->get()->all();
            $named = array_values(array_filter($there, static fn (Groove $g): bool => $g->toCore()->name === $groove->name));
            $same = $named === [] ? null : $named[0]->toCore()->toArray();
            if ($same !== null && $as === null && $same != $groove->toArray()) {
                throw new ImportConflict([$groove->name]);
            }
            if ($same !== null && $as !== 'both') {
                $named[0]->put($groove);

                return new JsonResponse(self::show($named[0]) + ['replaced' => $same], 201);
            }
            $free = ImportConflict::free($groove->name, array_values(array_map(static fn (Groove $g): string => $g->toCore()->name, $there)));

            return new JsonResponse(self::show(Groove::keep($groove->named($free), $where)), 201);
        });
    }

    /** Gives one another name, or puts the one given in its place. */
    public function update(int $groove, Request $request): JsonResponse
    {
        $kept = Groove::query()->findOrFail($groove);
        $given = $request->json('groove');
        $kept->put(CoreGroove::fromArray($given ?? ['name' => $request->json('name')] + $kept->toCore()->toArray()));

        return new JsonResponse(self::show($kept));
    }

    public function destroy(int $groove): Response
    {
        Groove::query()->findOrFail($groove)->delete();

        return new Response('', 204);
    }

    /** As a JSON file that can be brought back. */
    public function export(int $groove): Response
    {
        $core = Groove::query()->findOrFail($groove)->toCore();

        return Download::json("$core->name.groove.json", json_encode($core->toArray(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_PRETTY_PRINT));
    }

    /** @return array{id: int, shelf: bool, groove: array<string, mixed>} */
    private static function show(Groove $groove): array
    {
        return ['id' => $groove->id, 'shelf' => $groove->song_id === null, 'groove' => $groove->toCore()->toArray()];
    }
}
