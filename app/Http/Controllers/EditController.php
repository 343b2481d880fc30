<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Editing\History;
use App\Models\Song;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Jactonic\Core\Refusal;

/** Commands on a song and its history. */
final class EditController
{
    public function edits(int $song, Request $request): JsonResponse
    {
        $unknown = array_diff(array_keys((array) $request->json()->all()), ['base', 'do', 'on', 'context', 'as', 'key']);
        if ($unknown !== []) {
            throw Refusal::parameter('the request', reset($unknown), 'base, do, on, context, as, key');
        }
        $as = $request->json('as', 'steps');
        if ($as !== 'one' && $as !== 'steps') {
            throw Refusal::parameter('as', $as, '"one", or left out');
        }

        return new JsonResponse(History::run($song, $request->json('base'), $request->json('do'), $as === 'one', $request->json('key'), $request->json('context'), $request->json('on')));
    }

    public function landing(int $song, Request $request): JsonResponse
    {
        return new JsonResponse(History::landing(Song::query()->findOrFail($song), $request->json('do'), $request->json('context')));
    }

    /** What a reading says of what is named by `on`; nothing changes. */
    public function reading(int $song, Request $request): JsonResponse
    {
        return new JsonResponse(History::reading(Song::query()->findOrFail($song), $request->json('reading'), $request->json('on'), $request->json('params'), $request->json('context')));
    }

    /** The parts as they were before the last step; nothing changes. */
    public function before(int $song): JsonResponse
    {
        return new JsonResponse(History::before(Song::query()->findOrFail($song)));
    }

    public function undo(int $song, Request $request): JsonResponse
    {
        return new JsonResponse(History::undo($song, $request->json('base'), $this->times($request), $request->json('key')));
    }

    public function redo(int $song, Request $request): JsonResponse
    {
        return new JsonResponse(History::redo($song, $request->json('base'), $this->times($request), $request->json('key')));
    }

    /** The tree of steps, oldest first, and where the song stands in it. */
    public function steps(int $song): JsonResponse
    {
        $kept = Song::query()->findOrFail($song);
        $steps = [];
        foreach ($kept->steps()->get(['id', 'parent_id', 'said', 'created_at'])->sortBy('id') as $step) {
            $steps[] = ['id' => $step->id, 'parent' => $step->parent_id, 'said' => $step->said, 'at' => $step->created_at->toIso8601String()];
        }

        return new JsonResponse(['head' => $kept->head_id, 'steps' => $steps]);
    }

    public function goTo(int $song, Request $request): JsonResponse
    {
        $step = $request->json('step');
        if ($step !== null && ! is_int($step)) {
            throw Refusal::parameter('step', $step, 'the id of a step, or null for the start');
        }

        return new JsonResponse(History::goTo($song, $request->json('base'), $step, $request->json('key')));
    }

    private function times(Request $request): int
    {
        $times = $request->json('times', 1);

        return is_int($times) && $times >= 1 && $times <= 1000 ? $times : throw Refusal::parameter('times', $times, 'a whole number from 1 to 1000');
    }
}
