<?php

declare(strict_types=1);

namespace Jactonic\Core\Score;

/** A meta or system exclusive event that Jactonic does not interpret, kept to be written back as it came. */
final readonly class PassthroughEvent
{
    /**
     * @param  int  $tick  of the song
     * @param  int  $order  its place among the events of the file, which decides at one tick
     * @param  int  $status  0xFF, 0xF0 or 0xF7
     * @param  int  $type  of a meta event
     */
    public function __construct(public int $tick, public int $order, public int $status, public int $type, public string $bytes)
    {
    }

    /** @return array{int, int, int, int, string} with the bytes in Base64 */
    public function toArray(): array
    {
        return [$this->tick, $this->order, $this->status, $this->type, base64_encode($this->bytes)];
    }

    /** @param  array{int, int, int, int, string}  $data */
    public static function fromArray(array $data): self
    {
        return new self($data[0], $data[1], $data[2], $data[3], (string) base64_decode($data[4], true));
    }
}
