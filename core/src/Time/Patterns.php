<?php

declare(strict_types=1);

namespace Jactonic\Core\Time;

/** The patterns that the lines of bars follow, each once. */
final class Patterns
{
    /** @var array<int, int> by what tells them apart */
    private array $known = [];

    /** @var array<string, int> */
    private array $same = [];

    /** @var list<list<int>> */
    private array $all = [];

    /**
     * Which pattern bars of a kind follow.
     *
     * @param  int  $kind  the length of the bar, or below 0 what else tells it apart
     * @param  \Closure(): list<int>  $offsets  asked once a kind
     */
    public function of(int $kind, \Closure $offsets): int
    {
        if (! isset($this->known[$kind])) {
            $pattern = $offsets();
            $key = implode(',', $pattern);
            if (! isset($this->same[$key])) {
                $this->same[$key] = count($this->all);
                $this->all[] = $pattern;
            }
            $this->known[$kind] = $this->same[$key];
        }

        return $this->known[$kind];
    }

    /** @return list<list<int>> */
    public function all(): array
    {
        return $this->all;
    }
}
