<?php

declare(strict_types=1);

namespace App\Contract;

/** One thing that can be asked of the server. */
final readonly class Endpoint
{
    /** What stands in braces in a path is the number of something; these are texts. */
    private const TEXTS = ['key', 'backup', 'recipe'];

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

    /** @return array<string, bool> what stands in braces in its path, by name: whether it is a text */
    public function inPath(): array
    {
        preg_match_all('/\{(\w+)\}/', $this->path(), $names);

        return array_combine($names[1], array_map(static fn (string $name): bool => in_array($name, self::TEXTS, true), $names[1]));
    }

    /** A regular expression for "METHOD api/path" of requests that ask for it. */
    public function pattern(): string
    {
        $path = $this->path();
        foreach ($this->inPath() as $name => $isText) {
            $path = str_replace('{'.$name.'}', $isText ? '[^/]+' : '\d+', $path);
        }

        return '#^'.$this->method().' api/'.$path.'$#';
    }
}
