<?php

declare(strict_types=1);

namespace App\Contract;

use Jactonic\Core\Shape;

/** What goes over the wire, as one OpenAPI document: docs/openapi.json. The types of the interface are made from it. */
final class Contract
{
    /** @return array<string, array<string, mixed>> every named shape */
    public static function shapes(): array
    {
        return SongShapes::all() + EditShapes::all() + LibraryShapes::all();
    }

    /** @return array<string, mixed> */
    public static function document(): array
    {
        $paths = [];
        foreach (Endpoints::all() as $endpoint) {
            $paths['/api/'.$endpoint->path()][strtolower($endpoint->method())] = self::operation($endpoint);
        }

        return [
            'openapi' => '3.1.0',
            'info' => ['title' => 'Jactonic', 'version' => '1', 'description' => 'What the interface and the server of Jactonic say to each other. Written by `php artisan jactonic:contract`.'],
            'paths' => $paths,
            'components' => ['schemas' => self::shapes()],
            'x-constants' => Constants::all(),
        ];
    }

    public static function text(): string
    {
        return json_encode(self::document(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRETTY_PRINT)."\n";
    }

    /** @return array<string, mixed> */
    private static function operation(Endpoint $endpoint): array
    {
        $inPath = [];
        foreach ($endpoint->inPath() as $name => $isText) {
            $inPath[] = ['name' => $name, 'in' => 'path', 'required' => true, 'schema' => $isText ? Shape::text() : Shape::whole(1)];
        }
        $inQuery = array_map(static fn (string $name): array => ['name' => $name, 'in' => 'query', 'schema' => Shape::text()], $endpoint->query);
        $body = match (true) {
            $endpoint->isUpload => ['multipart/form-data' => ['schema' => Shape::object(['file' => ['type' => 'string', 'format' => 'binary']])]],
            $endpoint->body !== null => ['application/json' => ['schema' => $endpoint->body]],
            default => null,
        };
        $answer = match (true) {
            $endpoint->file !== '' => [$endpoint->file => ['schema' => ['type' => 'string', 'format' => 'binary']]],
            $endpoint->answer !== null => ['application/json' => ['schema' => $endpoint->answer]],
            default => null,
        };

        return ['summary' => $endpoint->about] + ($inPath === [] && $inQuery === [] ? [] : ['parameters' => [...$inPath, ...$inQuery]])
            + ($body === null ? [] : ['requestBody' => ['content' => $body]])
            + ['responses' => [
                (string) $endpoint->status => ['description' => 'Done.'] + ($answer === null ? [] : ['content' => $answer]),
                'default' => ['description' => 'It could not be done.', 'content' => ['application/problem+json' => ['schema' => Shape::named('Problem')]]],
            ]];
    }
}
