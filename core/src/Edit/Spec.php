<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit;

/** What an edit is called, where it belongs, what it takes and what it needs. */
final readonly class Spec
{
    /**
     * @param  string  $id  the class name in kebab-case
     * @param  string  $title  as a person would say it
     * @param  string  $about  one sentence: what it computes
     * @param  list<Param>  $params
     * @param  list<string>  $words  other words it may be looked for by
     * @param  list<array<string, mixed>>  $examples  parameters as a command would bring them, each enough to change a
     *                                                take: for the reference page, and tried by the tests of every edit
     */
    public function __construct(
        public string $id,
        public string $title,
        public Family $family,
        public string $about,
        public array $params = [],
        public Needs $needs = Needs::Notes,
        public array $words = [],
        public array $examples = [[]],
    ) {
    }

    public function param(string $name): ?Param
    {
        foreach ($this->params as $param) {
            if ($param->name === $name) {
                return $param;
            }
        }

        return null;
    }

    /** @return array<string, mixed> for the interface and the reference page */
    public function toArray(): array
    {
        return [
            'id' => $this->id, 'title' => $this->title, 'group' => $this->family->value, 'about' => $this->about,
            'params' => array_map(static fn (Param $p): array => $p->toArray(), $this->params),
            'needs' => $this->needs->value, 'words' => $this->words,
        ];
    }
}
