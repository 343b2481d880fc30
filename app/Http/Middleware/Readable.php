<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\Problems;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\InputBag;
use Symfony\Component\HttpFoundation\Response;

/** Refuses what says that it is JSON and is none: it would be read as nothing at all. */
final class Readable
{
    public function handle(Request $request, Closure $next): Response
    {
        if ($request->isJson() && $request->getContent() !== '') {
            $data = json_decode($request->getContent(), true);
            if (! is_array($data)) {
                $why = json_last_error() === JSON_ERROR_NONE ? 'it is not an object' : json_last_error_msg();

                return Problems::response(400, 'Not readable', "The request cannot be read as JSON: $why. Nothing was changed.");
            }
            /** @var array<string, mixed> $data read once, here */
            $request->setJson(new InputBag($data));
        }
        $response = $next($request);

        return $response instanceof Response ? $response : throw new \LogicException('A route answered with no response.');
    }
}
