<?php

declare(strict_types=1);

namespace Jactonic\Core\Keymap;

use Jactonic\Core\Refusal;

/** A named set of shortcuts, to be kept, exported and shared. */
final readonly class KeySet
{
    public function __construct(public string $name, public Keymap $keymap)
    {
    }

    /** @throws Refusal that says what is wrong in it */
    public static function fromArray(mixed $data): self
    {
        if (! is_array($data) || ($data['kind'] ?? null) !== 'keys' || array_diff(array_keys($data), ['kind', 'name', 'keys']) !== []) {
            throw new Refusal('This is no file of shortcuts: a file that was saved here holds a name and keys.', 'file');
        }
        $name = $data['name'] ?? null;
        if (! is_string($name) || trim($name) === '' || mb_strlen($name) > 80) {
            throw Refusal::parameter('name', $name, 'a name of 1 to 80 letters');
        }

        return new self(trim($name), Keymap::fromArray($data['keys'] ?? null));
    }

    /** @return array{kind: string, name: string, keys: list<array{context: string, keys: string, command: string, params: object, label: string}>} */
    public function toArray(): array
    {
        return ['kind' => 'keys', 'name' => $this->name, 'keys' => $this->keymap->toArray()];
    }
}
