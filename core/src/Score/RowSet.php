<?php

declare(strict_types=1);

namespace Jactonic\Core\Score;

use Jactonic\Core\Refusal;

/** What a person calls the rows of a track, and the order in which they want to see them. */
final readonly class RowSet
{
    public const ALLOWED = '{"names": {pitch: name}, "order": [pitches, from below]}';

    private const LONGEST = 40;

    /**
     * @param  array<int, string>  $names  by pitch 0–127
     * @param  list<int>  $order  pitches from below; those that are not in it stand by pitch, above
     */
    private function __construct(public array $names, public array $order)
    {
    }

    /**
     * @param  mixed  $data  as it is sent, or as a file has it
     *
     * @throws Refusal that says what is wrong
     */
    public static function read(mixed $data, string $parameter = 'rows'): self
    {
        if (! is_array($data) || array_diff(array_keys($data), ['kind', 'names', 'order']) !== [] || ($data['kind'] ?? 'rows') !== 'rows') {
            throw Refusal::parameter($parameter, $data, self::ALLOWED);
        }
        $names = [];
        foreach (is_array($data['names'] ?? []) ? $data['names'] ?? [] : throw Refusal::parameter("$parameter.names", $data['names'], 'names by pitch') as $pitch => $name) {
            if (! is_int($pitch) || $pitch < Note::LOWEST || $pitch > Note::HIGHEST) {
                throw Refusal::parameter("$parameter.names", $pitch, 'a pitch from 0 to 127');
            }
            if (! is_string($name) || mb_strlen(trim($name)) > self::LONGEST) {
                throw Refusal::parameter("$parameter.names.$pitch", $name, 'a name of up to '.self::LONGEST.' letters');
            }
            if (trim($name) !== '') {
                $names[$pitch] = trim($name);
            }
        }
        $order = $data['order'] ?? [];
        if (! is_array($order) || ! array_is_list($order) || array_filter($order, static fn (mixed $p): bool => ! is_int($p) || $p < Note::LOWEST || $p > Note::HIGHEST) !== []) {
            throw Refusal::parameter("$parameter.order", $order, 'a list of pitches from 0 to 127');
        }
        ksort($names);

        /** @var list<int> $order */
        return new self($names, array_values(array_unique($order)));
    }

    /** @return array{names: object, order: list<int>} what `read` reads back */
    public function toArray(): array
    {
        return ['names' => (object) $this->names, 'order' => $this->order];
    }
}
