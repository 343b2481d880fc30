<?php

declare(strict_types=1);

namespace App\Contract;

/** One thing that can be asked of the server. */
final readonly class Endpoint
{
    /**
     * @param  string  $route  method and path below /api, as "POST songs/{song}/edits"
     * @param  array<string, mixed>|null  $answer  shape of it as JSON; null where it has no body, or a file
     * @param  array<string, mixed>|null  $body  shape of what is sent as JSON
     * @param  list<string>  $query  names that the address may have
     * @param  string  $file  media type of the answer where that is a file
     * @param  bool  $isUpload  whether a file is sent, as a form
     */
    public function __construct(
        public string $route,
        public string $about,
        public ?array $answer = null,
        public ?array $body = null,
        public int $status = 200,
        public array $query = [],
        public string $file = '',
        public bool $isUpload = false,
    ) {
    }

    public function method(): string
    {
        return explode(' ', $this->route)[0];
    }

    public function path(): string
    {
        return explode(' ', $this->route)[1];
    }
}
