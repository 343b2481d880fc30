<?php

declare(strict_types=1);

namespace Jactonic\Core\Param;

use Jactonic\Core\Refusal;

/** A name as people give it: without control characters, and not empty. */
final class Name extends Plain
{
    private const MOST = 200;

    public function read(mixed $value, string $name): string
    {
        return self::clean($value) ?? throw Refusal::parameter($name, $value, $this->allowed());
    }

    /** The name without what cannot be seen; null where it is none. */
    public static function clean(mixed $value): ?string
    {
        $clean = is_string($value) ? trim((string) preg_replace('/[\x00-\x1F\x7F]+/u', ' ', $value)) : '';

        return $clean === '' || mb_strlen($clean) > self::MOST ? null : $clean;
    }

    public function allowed(): string
    {
        return 'a name of 1 to '.self::MOST.' characters';
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
