<?php

declare(strict_types=1);

namespace Jactonic\Core\Param;

use Jactonic\Core\Refusal;

/** What most kinds have in common: written as they are, and asked for in a field without limits. */
abstract class Plain implements Kind
{
    public function write(mixed $value): mixed
    {
        return $value;
    }

    public function limits(): array
    {
        return [];
    }

    public function typed(array $words): ?array
    {
        return null;
    }

    /**
     * As many of the words, as many as `$most` first, as together are a value.
     *
     * @param  non-empty-list<string>  $words
     * @return array{mixed, int}|null
     */
    protected function longest(array $words, int $most): ?array
    {
        for ($count = min($most, count($words)); $count > 0; $count--) {
            $text = implode(' ', array_slice($words, 0, $count));
            try {
                $this->read($text, '');

                return [$text, $count];
            } catch (Refusal) {
                continue;
            }
        }

        return null;
    }

    public function isAskable(): bool
    {
        return true;
    }
}
