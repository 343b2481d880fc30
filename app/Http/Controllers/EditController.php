<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Editing\History;
use App\Models\Song;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Jactonic\Core\Recording\Event;
use Jactonic\Core\Recording\Passage;
use Jactonic\Core\Refusal;

/** Commands on a song and its history. */
final class EditController
{
    public function edits(int $song, Request $request): JsonResponse
    {
        $as = $request->json('as', 'steps');
        if ($as !== 'one' && $as !== 'steps') {
            throw Refusal::parameter('as', $as, '"one", or left out');
        }

        return new JsonResponse(History::run($song, $request->json('base'), $this->commands($request), $as === 'one', $request->json('key')));
    }

    public function landing(int $song, Request $request): JsonResponse
    {
        return new JsonResponse(History::landing(Song::query()->findOrFail($song), $this->commands($request)));
    }

    /** What the playing of the notes named by `on` tells; nothing changes. */
    public function reading(int $song, Request $request): JsonResponse
    {
        return new JsonResponse(History::reading(Song::query()->findOrFail($song), $request->json('on')));
    }

    /** The notes that meet a condition; nothing changes. */
    public function pick(int $song, Request $request): JsonResponse
    {
        return new JsonResponse(History::pick(Song::query()->findOrFail($song), $request->json('on'), $request->json('pick')));
    }

    /** The notes named by `on`, to be carried away; with `from` and `to`, cut at the edges of that span. */
    public function clip(int $song, Request $request): JsonResponse
    {
        $edge = static fn (string $name): ?int => $request->json($name) === null ? null : self::whole($request, $name, 0, PHP_INT_MAX >> 20);

        return new JsonResponse(History::clip(Song::query()->findOrFail($song), $request->json('on'), $edge('from'), $edge('to')));
    }

    /** What the simulated player plays of a passage from a tick on, in seconds from there; nothing changes. */
    public function player(int $song, Request $request): JsonResponse
    {
        $number = static function (string $name, ?float $default) use ($request): ?float {
            $value = $request->json($name) ?? $default;

            return $value === null || is_int($value) || is_float($value) ? ($value === null ? null : (float) $value) : throw Refusal::parameter($name, $value, 'a number');
        };
        $passage = Passage::find($request->json('passage'));
        $events = $passage->played(Song::query()->findOrFail($song)->time(), self::whole($request, 'from', 0, PHP_INT_MAX >> 20, 0), self::whole($request, 'seed', 0, PHP_INT_MAX >> 20, 1),
            $number('loose', 12.0) ?? 0.0, $number('tempo', null), self::whole($request, 'times', 1, 64, 1));

        return new JsonResponse(['name' => $passage->name, 'events' => array_map(static fn (Event $e): array => $e->toArray(), $events)]);
    }

    /** Where the caret comes to: `part`, `tick`, `steps`, and `by` where it is not the part's nudge step. */
    public function caret(int $song, Request $request): JsonResponse
    {
        $kept = Song::query()->findOrFail($song);

        return new JsonResponse(History::caret($kept, self::whole($request, 'part', 1, PHP_INT_MAX), self::whole($request, 'tick', 0, PHP_INT_MAX >> 20),
            self::whole($request, 'steps', -10_000, 10_000), $request->json('by')));
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

    /** @return array<array-key, mixed> */
    private function commands(Request $request): array
    {
        $do = $request->json('do');

        return is_array($do) ? $do : throw Refusal::parameter('do', $do, 'a list of commands');
    }

    private function times(Request $request): int
    {
        return self::whole($request, 'times', 1, 1000, 1);
    }

    private static function whole(Request $request, string $name, int $min, int $max, ?int $default = null): int
    {
        $value = $request->json($name, $default);

        return is_int($value) && $value >= $min && $value <= $max ? $value : throw Refusal::parameter($name, $value, "a whole number from $min to $max");
    }
}
