<?php

declare(strict_types=1);

namespace Jactonic\Core\Param;

use Jactonic\Core\Refusal;
use Jactonic\Core\Time\Grid;

/** A grid by its name. */
final class GridValue extends Plain
{
    public function read(mixed $value, string $name): Grid
    {
        return is_string($value) ? Grid::parse($value, $name) : throw Refusal::parameter($name, $value, $this->allowed());
    }

    public function allowed(): string
    {
        return Grid::ALLOWED;
    }

    public function write(mixed $value): mixed
    {
        return $value instanceof Grid ? $value->name : $value;
    }

    public function field(): string
    {
        return 'grid';
    }

    public function typed(array $words): ?array
    {
        return $this->longest($words, 1);
    }
}
