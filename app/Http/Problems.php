<?php

declare(strict_types=1);

namespace App\Http;

use App\Editing\Stale;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Http\Exceptions\PostTooLargeException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Jactonic\Core\Refusal;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;

/** Errors as RFC 9457 problem documents, in plain words. */
final class Problems
{
    public static function register(Exceptions $exceptions): void
    {
        $exceptions->dontReport([Refusal::class, Stale::class, ImportConflict::class]);
        $exceptions->render(static function (\Throwable $e, Request $request): ?JsonResponse {
            if (! $request->is('api/*')) {
                return null;
            }
            if ($e instanceof Stale) {
                return self::response(409, 'The song has moved on', $e->getMessage(), ['catchUp' => $e->catchUp, 'done' => $e->done] + ($e->answer === null ? [] : ['answer' => $e->answer]));
            }
            if ($e instanceof Refusal) {
                return self::response(422, 'That cannot be done', $e->getMessage(), array_filter(['parameter' => $e->parameter, 'screen' => $e->screen()], static fn (?string $v): bool => $v !== null));
            }
            if ($e instanceof ImportConflict) {
                return self::response(409, 'Already there', $e->getMessage(), ['taken' => $e->names]);
            }
            if ($e instanceof PostTooLargeException) {
                return $request->is('api/imports') ? self::tooLarge() : self::response(413, 'Too large', 'The request is larger than the server takes. Nothing was changed; do it in smaller pieces.');
            }
            if ($e instanceof \PDOException) {
                $said = self::ofData($e);
                if ($said !== null) {
                    return $said;
                }
            }
            if ($e instanceof HttpExceptionInterface) {
                $status = $e->getStatusCode();

                return self::response($status, match ($status) {
                    404 => 'Not found',
                    405 => 'Not allowed',
                    413 => 'Too large',
                    default => 'That did not work',
                }, $e->getPrevious() instanceof ModelNotFoundException || ($status === 404 && $e->getMessage() === '')
                    ? 'What was asked for is not there; it may have been deleted.'
                    : $e->getMessage());
            }

            return self::response(500, 'Something went wrong', 'Jactonic could not do this because of a fault of its own. Nothing was changed; the log has the details.',
                config('app.debug') === true ? ['exception' => $e->getMessage().' '.$e->getFile().':'.$e->getLine()] : []);
        });
    }

    /** What is wrong with the data file, in words that say what to do; null where it is something else. */
    private static function ofData(\PDOException $e): ?JsonResponse
    {
        $code = $e->errorInfo[1] ?? 0;
        $named = config('database.connections.sqlite.database');
        $file = is_string($named) ? basename($named) : 'the data file';

        return match ($code) {
            // busy, locked
            5, 6 => self::response(503, 'Busy', 'The server is busy with a longer request.'),
            // full, and a failure of the disk, which is how some say that it is full
            13, 10 => self::response(507, 'Disk full', "The disk is full or failing: $file cannot be written. Free some space."),
            // read-only, cannot be opened, no permission
            8, 14, 3, 23 => self::response(507, 'Not writable', "$file, which holds the songs, cannot be written. Give the server the right to write it and its directory."),
            // corrupt, not a database
            11, 26 => self::response(500, 'Damaged', "$file is damaged or no data file of Jactonic. Nothing was changed. Put a copy in its place, or move it away to start with an empty one."),
            default => null,
        };
    }

    /** @param  bool  $isSong  whether it is a song with its history */
    public static function tooLarge(bool $isSong = false): JsonResponse
    {
        $limit = config($isSong ? 'jactonic.song_limit' : 'jactonic.import_limit');

        return self::response(413, 'Too large', sprintf('The file is larger than %d MB, the most that can be imported. Nothing was imported.', (is_int($limit) ? $limit : 0) >> 20));
    }

    /** @param  array<string, mixed>  $more */
    public static function response(int $status, string $title, string $detail, array $more = []): JsonResponse
    {
        return new JsonResponse(['type' => 'about:blank', 'title' => $title, 'status' => $status, 'detail' => $detail] + $more, $status,
            ['Content-Type' => 'application/problem+json'], JSON_UNESCAPED_UNICODE | JSON_INVALID_UTF8_SUBSTITUTE | JSON_HEX_TAG);
    }
}
