<?php

declare(strict_types=1);

namespace Jactonic\Core\Score;

/** Columns of numbers, read as what they are. */
trait ReadAsNumbers
{
    /** @return list<mixed> */
    abstract public function column(string $name): array;

    /**
     * @param  list<int>  $ids
     * @return list<mixed>
     */
    abstract public function values(string $name, array $ids): array;

    /**
     * One column of whole numbers, of some or of all.
     *
     * @param  list<int>|null  $ids
     * @return list<int>
     */
    public function integers(string $name, ?array $ids = null): array
    {
        /** @var list<int> */
        return $ids === null ? $this->column($name) : $this->values($name, $ids);
    }

    /**
     * Likewise one of fractions, of some.
     *
     * @param  list<int>  $ids
     * @return list<float>
     */
    public function floats(string $name, array $ids): array
    {
        /** @var list<float> */
        return $this->values($name, $ids);
    }
}
