<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** An answer that is large and changes seldom: compressed, and not sent again to a page that has it. */
final class Compact
{
    /** @param  array<string, mixed>  $data */
    public static function answer(Request $request, array $data): Response
    {
        $body = json_encode($data, JSON_THROW_ON_ERROR | JSON_HEX_TAG | JSON_UNESCAPED_UNICODE);
        $mark = '"'.hash('xxh128', $body).'"';
        $headers = ['Content-Type' => 'application/json', 'ETag' => $mark, 'Cache-Control' => 'no-cache', 'Vary' => 'Accept-Encoding'];
        if ($request->headers->get('If-None-Match') === $mark) {
            return new Response('', 304, $headers);
        }
        if (str_contains((string) $request->headers->get('Accept-Encoding'), 'gzip')) {
            $body = (string) gzencode($body, 5);
            $headers['Content-Encoding'] = 'gzip';
        }

        return new Response($body, 200, $headers + ['Content-Length' => (string) strlen($body)]);
    }
}
