<?php

declare(strict_types=1);

namespace Jactonic\Core\Score;

/**
 * The notes or points of a part as they are kept: their number in 32 bits, and then for each column that is not the
 * default throughout its place in the table in a byte, and its values packed one after another. The highest bit of that
 * byte is set for a column that was made wider since the first documents were written: so those are read as well. A column
 * of texts has them in full (`Texts`).
 */
final class Document
{
    private const WIDER = 0x80;

    /**
     * @param  Table<covariant Note|Point>  $table
     * @param  array<string, string>  $packed  a string a column
     */
    public static function write(Table $table, array $packed, int $count): string
    {
        $out = pack('V', $count);
        foreach (array_keys($table->columns) as $i => $name) {
            if (isset($packed[$name])) {
                $column = $table->columns[$name];
                $out .= chr($column->was === null ? $i : $i | self::WIDER).($column->isText() ? Texts::write($packed[$name]) : $packed[$name]);
            }
        }

        return $out;
    }

    /**
     * @param  Table<covariant Note|Point>  $table
     * @return array<string, string> a string a column; those that are the default throughout are left out
     */
    public static function read(Table $table, string $document): array
    {
        $columns = array_values($table->columns);
        $count = unpack('V', $document)[1] ?? 0;
        $count = is_int($count) ? $count : 0;
        $packed = [];
        for ($at = 4; $at < strlen($document);) {
            $which = ord($document[$at]);
            $column = $columns[$which & ~self::WIDER] ?? throw new \UnexpectedValueException('A document has a column that is not known.');
            if ($column->isText()) {
                [$packed[$column->name], $length] = Texts::read($document, $at + 1);
                $at += 1 + $length;

                continue;
            }
            $length = $count * ($which & self::WIDER ? $column->width : $column->widthBefore());
            $bytes = substr($document, $at + 1, $length);
            $packed[$column->name] = $which & self::WIDER ? $bytes : $column->widened($bytes);
            $at += 1 + $length;
        }

        return $packed + ['id' => '', $table->place => ''];
    }

    /**
     * Without the columns in which every value is the default: equal things give equal bytes.
     *
     * @param  Table<covariant Note|Point>  $table
     * @param  array<string, string>  $packed
     * @return array<string, string>
     */
    public static function canonical(Table $table, array $packed, int $count): array
    {
        foreach ($table->columns as $name => $column) {
            if ($column->default !== null && isset($packed[$name]) && $packed[$name] === str_repeat($column->pack($column->default), $count)) {
                unset($packed[$name]);
            }
        }

        return $packed;
    }
}
