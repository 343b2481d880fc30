<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Editing\LongRequest;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Long work under way, by the key of the request that asked for it. */
final class LongRequestController
{
    /** How many notes it has gone over so far; null where nothing long is under way under that key. */
    public function show(string $key): JsonResponse
    {
        return new JsonResponse(['steps' => LongRequest::steps($key)]);
    }

    /** Asks that it be stopped, which leaves nothing of it; the request itself is answered then. */
    public function stop(string $key): Response
    {
        return LongRequest::stop($key) ? new Response('', 202) : throw new NotFoundHttpException('Nothing of that key is under way: it is done, or was stopped.');
    }
}
