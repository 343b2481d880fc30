<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Http\Response;

/** A file of JSON to be saved, under a name that every system takes. */
final class Download
{
    public static function json(string $name, string $json): Response
    {
        $clean = trim((string) preg_replace('/[^\pL\pN ._-]+/u', '', $name), ' .') ?: 'jactonic.json';

        return new Response($json, 200, ['Content-Type' => 'application/json', 'Content-Disposition' => "attachment; filename*=UTF-8''".rawurlencode($clean)]);
    }
}
