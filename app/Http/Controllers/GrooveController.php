<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Editing\History;
use App\Http\Download;
use App\Models\Groove;
use App\Models\Song;
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

    /** Takes one from notes (`on`, `grid`, `name`), or keeps the one given (`groove`). */
    public function store(int $song, Request $request): JsonResponse
    {
        $kept = Song::query()->findOrFail($song);
        $given = $request->json('groove');
        $groove = $given !== null ? CoreGroove::fromArray($given) : CoreGroove::fromArray(History::reading($kept, 'groove-reading', $request->json('on'), ['name' => $request->json('name'), 'grid' => $request->json('grid')], null));
        $shelf = $request->json('shelf', false);
        if (! is_bool($shelf)) {
            throw Refusal::parameter('shelf', $shelf, 'true or false');
        }

        return new JsonResponse(self::show(Groove::keep($groove, $shelf ? null : $kept->id)), 201);
    }

    public function update(int $groove, Request $request): JsonResponse
    {
        $kept = Groove::query()->findOrFail($groove);
        $named = CoreGroove::fromArray(['name' => $request->json('name')] + $kept->toCore()->toArray());
        $kept->update(['groove' => json_encode($named->toArray(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION)]);

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
