<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Song;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Jactonic\Core\Command\Typed;
use Jactonic\Core\Refusal;

/** What a line of text may mean as a command; nothing changes. */
final class TypedController
{
    private const LONGEST = 400;

    public function __invoke(Request $request): JsonResponse
    {
        $line = $request->json('line');
        if (! is_string($line) || mb_strlen($line) > self::LONGEST) {
            throw Refusal::parameter('line', $line, 'a text of at most '.self::LONGEST.' letters');
        }
        $context = $request->json('context');
        if (! is_string($context) || ! isset(Typed::EXAMPLES[$context])) {
            throw Refusal::parameter('context', $context, 'one of '.implode(', ', array_keys(Typed::EXAMPLES)));
        }
        $song = $request->json('song');
        $time = is_int($song) ? Song::query()->findOrFail($song)->time() : null;
        $read = Typed::read($line, $context, $time);

        return new JsonResponse(['found' => array_map(static fn (array $f): array => ['params' => (object) $f['params']] + $f, $read['found']), 'stopped' => $read['stopped']]);
    }
}
