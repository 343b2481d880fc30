<?php

declare(strict_types=1);

namespace Jactonic\Core\Score;

/**
 * What is read like an array by id, and not written like one.
 *
 * @template T of Note|Point
 *
 * @phpstan-require-implements \ArrayAccess<int, T>
 */
trait ReadAsArray
{
    public function offsetExists(mixed $offset): bool
    {
        return is_int($offset) && $this->has($offset);
    }

    /** @return T */
    public function offsetGet(mixed $offset): Note|Point
    {
        return (is_int($offset) ? $this->get($offset) : null) ?? throw new \OutOfBoundsException('There is nothing with the id '.print_r($offset, true).'.');
    }

    public function offsetSet(mixed $offset, mixed $value): never
    {
        throw new \LogicException('What a part holds is changed by a Change.');
    }

    public function offsetUnset(mixed $offset): never
    {
        throw new \LogicException('What a part holds is changed by a Change.');
    }

    /** @return \ArrayIterator<int, T> */
    public function getIterator(): \ArrayIterator
    {
        return new \ArrayIterator($this->all());
    }
}
