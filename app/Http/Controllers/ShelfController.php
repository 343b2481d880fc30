<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Download;
use App\Http\Problems;
use App\Models\Phrase;
use App\Models\Song;
use App\Songs\Library;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use Jactonic\Core\Midi\Phrase as Core;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Selection\TargetReader;

/** The shelf: phrases kept under a name, for every song. */
final class ShelfController
{
    /** The one kept last first. */
    public function index(): JsonResponse
    {
        $phrases = [];
        foreach (Phrase::query()->where('gone', false)->get(['id', 'name', 'about']) as $phrase) {
            $phrases[] = self::show($phrase);
        }

        return new JsonResponse(['phrases' => array_reverse($phrases)]);
    }

    /** Keeps what is selected in a song (`on`: parts, or notes) under a `name`. */
    public function keep(int $song, Request $request): JsonResponse
    {
        $core = Library::toCore(Song::query()->findOrFail($song));
        $score = $core->score;
        $on = TargetReader::read($request->json('on'), $score);
        $parts = array_map($score->part(...), $on->parts);
        foreach ($on->notes as $id => $notes) {
            if ($notes !== []) {
                $parts[] = Core::part($score->part($id), array_map(static fn (int $n): Note => $score->part($id)->note($n), $notes), $score->time);
            }
        }
        if ($parts === []) {
            throw new Refusal('Nothing is selected: nothing was kept.', 'on');
        }
        $name = Library::name($request->json('name') ?? implode(', ', array_slice(array_map(static fn (Part $p): string => $p->name, $parts), 0, 3)));

        return new JsonResponse(self::show(Phrase::keep($name, Core::of($score, array_values($parts), $name))), 201);
    }

    /** A .mid file comes onto the shelf as it is. */
    public function import(Request $request): JsonResponse
    {
        $file = $request->file('file');
        if (! $file instanceof UploadedFile || ! $file->isValid()) {
            throw new Refusal('No file came with the request. Nothing was kept.', 'file');
        }
        if ((int) $file->getSize() > config('jactonic.import_limit')) {
            return Problems::tooLarge();
        }
        $name = pathinfo($file->getClientOriginalName(), PATHINFO_FILENAME);

        return new JsonResponse(self::show(Phrase::keep(Library::name($name === '' ? 'Phrase' : mb_substr($name, 0, 200)), $file->getContent())), 201);
    }

    /** The parts of a phrase, as `part-insert` takes them. */
    public function clip(int $phrase): JsonResponse
    {
        return new JsonResponse(Core::read(Phrase::query()->findOrFail($phrase)->file)['clip']->toArray());
    }

    public function export(int $phrase): Response
    {
        $kept = Phrase::query()->findOrFail($phrase);

        return Download::midi($kept->name, $kept->file);
    }

    public function update(int $phrase, Request $request): JsonResponse
    {
        $kept = Phrase::query()->findOrFail($phrase);
        $kept->update(['name' => Library::name($request->json('name'))]);

        return new JsonResponse(self::show($kept));
    }

    /** Puts it away, from where it can come back. */
    public function destroy(int $phrase): Response
    {
        Phrase::query()->findOrFail($phrase)->update(['gone' => true]);

        return new Response('', 204);
    }

    public function restore(int $phrase): JsonResponse
    {
        $kept = Phrase::query()->findOrFail($phrase);
        $kept->update(['gone' => false]);

        return new JsonResponse(self::show($kept));
    }

    /** @return array<string, mixed> */
    private static function show(Phrase $phrase): array
    {
        return ['id' => $phrase->id, 'name' => $phrase->name] + $phrase->about;
    }
}
