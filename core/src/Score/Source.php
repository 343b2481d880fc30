<?php

declare(strict_types=1);

namespace Jactonic\Core\Score;

/** Where a song came from: what of its file has to be known to write it back as it was. */
final readonly class Source
{
    /**
     * @param  int  $format  0, 1 or 2
     * @param  int  $division  the file header's 16 bits
     * @param  int  $scale  song ticks per file tick
     * @param  list<array{int, string, string}>  $chunks  chunks of other kinds: tracks before it, id, body
     */
    public function __construct(
        public int $format = 1,
        public int $division = 960,
        public int $scale = 1,
        public array $chunks = [],
    ) {
    }

    /** @return array{format: int, division: int, scale: int, chunks: list<array{int, string, string}>} bodies in Base64 */
    public function toArray(): array
    {
        return [
            'format' => $this->format, 'division' => $this->division, 'scale' => $this->scale,
            'chunks' => array_map(static fn (array $c): array => [$c[0], base64_encode($c[1]), base64_encode($c[2])], $this->chunks),
        ];
    }

    /** @param  array{format: int, division: int, scale: int, chunks: list<array{int, string, string}>}  $data */
    public static function fromArray(array $data): self
    {
        return new self($data['format'], $data['division'], $data['scale'],
            array_map(static fn (array $c): array => [$c[0], (string) base64_decode($c[1], true), (string) base64_decode($c[2], true)], $data['chunks']));
    }
}
