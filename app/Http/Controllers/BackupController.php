<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Backups\Backups;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Jactonic\Core\Refusal;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** Copies of everything: made, listed, saved elsewhere, put in place of what is there. */
final class BackupController
{
    public function index(): JsonResponse
    {
        return self::state(Backups::here());
    }

    public function store(): JsonResponse
    {
        $backups = Backups::here();
        $made = $backups->make();

        return self::state($backups, ['made' => basename($made)], 201);
    }

    public function file(string $backup): BinaryFileResponse
    {
        return (new BinaryFileResponse(Backups::here()->find($backup), headers: ['Content-Type' => 'application/vnd.sqlite3']))->setContentDisposition('attachment', $backup);
    }

    public function restore(string $backup): JsonResponse
    {
        $backups = Backups::here();

        return self::restored($backups, $backups->restore($backups->find($backup)));
    }

    /** Puts a file that is sent in place of what is there. */
    public function bring(Request $request): JsonResponse
    {
        $file = $request->file('file');
        if (! $file instanceof UploadedFile || ! $file->isValid()) {
            throw new Refusal('No backup came with the request, or it is too large: “php artisan jactonic:restore FILE” takes files of any size. Nothing was changed.', 'file');
        }
        $backups = Backups::here();

        return self::restored($backups, $backups->restore($file->getPathname()));
    }

    private static function restored(Backups $backups, string $aside): JsonResponse
    {
        return self::state($backups, ['aside' => basename($aside)]);
    }

    /** @param  array<string, mixed>  $more */
    private static function state(Backups $backups, array $more = [], int $status = 200): JsonResponse
    {
        return new JsonResponse($more + ['where' => $backups->folder, 'copies' => $backups->all()], $status);
    }
}
