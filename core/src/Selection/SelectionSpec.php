<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection;

/** What is said of a selection command, and how it is asked. */
final readonly class SelectionSpec
{
    /**
     * @param  list<string>  $words  other words it is looked for by
     * @param  bool  $isSingle  whether it selects single notes, which do not bring the others of their groups
     * @param  bool  $needsSpan  whether it works only where there is a span
     * @param  string  $atEnd  what is said where it leads no further
     * @param  string|null  $ofPoints  its title where it selects points of a lane; null where it means nothing for points
     */
    public function __construct(
        public string $title,
        public Scope $scope = Scope::Part,
        public array $words = [],
        public bool $isSingle = false,
        public bool $needsSpan = false,
        public string $atEnd = '',
        public ?string $ofPoints = null,
    ) {
    }

    /** @return array{title: string, params: array{move: string}, words: list<string>, ofPoints?: string} the command as people look for it */
    public function form(string $id): array
    {
        return ['title' => $this->title, 'params' => ['move' => $id], 'words' => $this->words] + ($this->ofPoints === null ? [] : ['ofPoints' => $this->ofPoints]);
    }
}
