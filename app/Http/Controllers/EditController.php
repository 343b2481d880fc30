<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Editing\History;
use App\Editing\Tree;
use App\Models\Song;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Jactonic\Core\Refusal;

/** Commands on a song and its history. */
final class EditController
{
    /** Steps in a page of the history. */
    private const PAGE = 200;

    public function edits(int $song, Request $request): JsonResponse
    {
        $unknown = array_diff(array_keys((array) $request->json()->all()), ['base', 'do', 'on', 'context', 'as', 'key', 'brief']);
        if ($unknown !== []) {
            throw Refusal::parameter('the request', reset($unknown), 'base, do, on, context, as, key, brief');
        }
        $as = $request->json('as', 'steps');
        if ($as !== 'one' && $as !== 'steps') {
            throw Refusal::parameter('as', $as, '"one", or left out');
        }

        return new JsonResponse(History::run($song, $request->json('base'), $request->json('do'), $as === 'one', $request->json('key'), $request->json('context'), $request->json('on'), $this->brief($request)));
    }

    public function landing(int $song, Request $request): JsonResponse
    {
        return new JsonResponse(History::landing(Song::query()->findOrFail($song), $request->json('do'), $request->json('context'), $this->brief($request)));
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
        return new JsonResponse(History::undo($song, $request->json('base'), $this->times($request), $request->json('key'), $this->brief($request)));
    }

    public function redo(int $song, Request $request): JsonResponse
    {
        return new JsonResponse(History::redo($song, $request->json('base'), $this->times($request), $request->json('key'), $this->brief($request)));
    }

    /**
     * The tree of steps, oldest first, a page of it, and where the song stands in it: the last, or those before `before`;
     * of those only whose sentence has `search` in it.
     */
    public function steps(int $song, Request $request): JsonResponse
    {
        $kept = Song::query()->findOrFail($song);
        $found = $kept->steps()->toBase()->orderByDesc('id')->limit(self::PAGE + 1);
        $before = $request->string('before')->toString();
        if ($before !== '') {
            $found->where('id', '<', (int) $before);
        }
        $search = trim($request->string('search')->toString());
        if ($search !== '') {
            $found->whereRaw("said like ? escape '!'", ['%'.str_replace(['!', '%', '_'], ['!!', '!%', '!_'], $search).'%']);
        }
        $page = $found->get(['id', 'said', 'created_at'])->all();
        $done = array_flip(Tree::wayTo($kept->head_id, Tree::parents($kept->id)));
        $steps = [];
        /** @var object{id: int, said: string, created_at: string} $step */
        foreach (array_reverse(array_slice($page, 0, self::PAGE)) as $step) {
            $steps[] = ['id' => $step->id, 'said' => $step->said, 'at' => Carbon::parse($step->created_at)->toIso8601String(), 'done' => isset($done[$step->id])];
        }

        return new JsonResponse(['head' => $kept->head_id, 'steps' => $steps, 'more' => count($page) > self::PAGE, 'all' => $kept->steps()->toBase()->count()]);
    }

    public function goTo(int $song, Request $request): JsonResponse
    {
        $step = $request->json('step');
        if ($step !== null && ! is_int($step)) {
            throw Refusal::parameter('step', $step, 'the id of a step, or null for the start');
        }

        return new JsonResponse(History::goTo($song, $request->json('base'), $step, $request->json('key'), $this->brief($request)));
    }

    /** Whether whoever asks takes what changed of many by its columns, and the choice only where it is another. */
    private function brief(Request $request): bool
    {
        $brief = $request->json('brief', false);

        return is_bool($brief) ? $brief : throw Refusal::parameter('brief', $brief, 'true, or left out');
    }

    private function times(Request $request): int
    {
        $times = $request->json('times', 1);

        return is_int($times) && $times >= 1 && $times <= 1000 ? $times : throw Refusal::parameter('times', $times, 'a whole number from 1 to 1000');
    }
}
