<?php

declare(strict_types=1);

namespace Jactonic\Core\Score;

/** One column of a table: how a value is packed, what stands in for it, and whether others may give it. */
final readonly class Column
{
    /** Bytes of a value, by the code with which PHP packs it. */
    private const WIDTHS = ['C' => 1, 'c' => 1, 's' => 2, 'V' => 4, 'P' => 8, 'e' => 8];

    public int $width;

    /**
     * @param  string  $name  of the property that holds it
     * @param  string  $code  C, c: a byte with and without sign; s: 16 bits with sign; V: 32 bits, 0 or more; P: 64 bits; e: a float
     * @param  int|float|bool|string|null  $default  what a column is left out for where every value is this; null: always written
     * @param  array{int, int, int|null}|null  $given  least, most, and what stands in where it is not given (null: it has
     *                                                 to be), of a text nothing; null where nobody may give it
     * @param  bool  $shown  whether it stands in the rows that the interface gets
     * @param  string|null  $was  the code of documents from before it was made wider
     */
    public function __construct(
        public string $name,
        public string $code,
        public int|float|bool|string|null $default = null,
        public ?array $given = null,
        public bool $shown = true,
        public ?string $was = null,
    ) {
        $this->width = self::WIDTHS[$code];
    }

    /** Whether it holds texts, which lie packed as numbers of `Texts`. */
    public function isText(): bool
    {
        return is_string($this->default);
    }

    /** Whether its values are packed as something else than they are. */
    public function isCoded(): bool
    {
        return is_bool($this->default) || is_string($this->default);
    }

    /** A value as its property holds it: truth is kept as 1 and 0, a text by its number. */
    public function value(mixed $value): mixed
    {
        return match (true) {
            ! is_int($value) => $value,
            is_bool($this->default) => $value === 1,
            is_string($this->default) => Texts::text($value),
            default => $value,
        };
    }

    /** Values of a document from before it was made wider, as they are packed now. */
    public function widened(string $packed): string
    {
        return $this->was === null ? $packed : pack($this->code.'*', ...array_values(unpack($this->was.'*', $packed) ?: []));
    }

    /** Bytes of a value in such a document. */
    public function widthBefore(): int
    {
        return self::WIDTHS[$this->was ?? $this->code];
    }

    /** One value, packed. */
    public function pack(mixed $value): string
    {
        return pack($this->code, $this->isText() ? Texts::number($value) : $value);
    }

    /**
     * The values that were packed.
     *
     * @return list<mixed>
     */
    public function unpackAll(string $packed): array
    {
        $values = $packed === '' ? [] : array_values(unpack($this->code.'*', $packed) ?: []);

        return $this->isCoded() ? array_map($this->value(...), $values) : $values;
    }

    /**
     * Many values, packed.
     *
     * @param  list<mixed>  $values
     */
    public function packAll(array $values): string
    {
        return $values === [] ? '' : pack($this->code.'*', ...($this->isText() ? array_map(Texts::number(...), $values) : $values));
    }
}
