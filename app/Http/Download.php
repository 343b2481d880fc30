<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Http\Response;

/** Files to be saved, under names that every system takes. */
final class Download
{
    public static function json(string $name, string $json): Response
    {
        $clean = trim((string) preg_replace('/[^\pL\pN ._-]+/u', '', $name), ' .') ?: 'jactonic.json';

        return new Response($json, 200, ['Content-Type' => 'application/json', 'Content-Disposition' => "attachment; filename*=UTF-8''".rawurlencode($clean)]);
    }

    /** A file whose name has its ending. */
    public static function file(string $name, string $type, string $bytes): Response
    {
        $clean = trim((string) preg_replace('/[^\pL\pN ._()-]+/u', ' ', $name), ' .');

        return new Response($bytes, 200, ['Content-Type' => $type, 'Content-Disposition' => "attachment; filename*=UTF-8''".rawurlencode($clean)]);
    }

    public static function midi(string $name, string $bytes): Response
    {
        $name = trim((string) preg_replace('/[^\p{L}\p{N} ._()-]+/u', ' ', $name)) ?: 'song';
        $plain = trim((string) preg_replace('/[^A-Za-z0-9 ._()-]+/', '_', $name));

        return new Response($bytes, 200, [
            'Content-Type' => 'audio/midi',
            'Content-Disposition' => sprintf("attachment; filename=\"%s.mid\"; filename*=UTF-8''%s.mid", $plain, rawurlencode($name)),
        ]);
    }
}
