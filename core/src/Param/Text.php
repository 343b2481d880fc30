<?php

declare(strict_types=1);

namespace Jactonic\Core\Param;

use Jactonic\Core\Refusal;

/** A short text. */
final class Text extends Plain
{
    private const MOST = 200;

    public function read(mixed $value, string $name): string
    {
        return is_string($value) && $value !== '' && mb_strlen($value) <= self::MOST ? $value : throw Refusal::parameter($name, $value, $this->allowed());
    }

    public function allowed(): string
    {
        return 'a text of 1 to '.self::MOST.' letters';
    }

    public function field(): string
    {
        return 'text';
    }

    public function typed(array $words): ?array
    {
        return $this->longest($words, count($words));
    }
}
