<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit;

use Jactonic\Core\Param\Param;

/** What an edit is called, where it belongs, what it takes, what it needs, and what a screen has to know of it. */
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
     * @param  list<AppliesTo>  $takes  what it works on
     * @param  list<string>  $contexts  the pages on which it can be asked for
     * @param  bool  $keeps  whether after it the same things are selected: then what is typed after it need not wait
     * @param  list<string>  $selectsWith  the flags with which it selects what it makes all the same
     * @param  bool  $asked  whether it can be asked for by itself; else a gesture or a form does it
     * @param  list<array{title: string, params: array<string, mixed>, words?: list<string>}>  $forms  with parameters already
     *                                                                                                 given, as people look for it
     * @param  string  $panel  the panel that has its settings; "edit" is the one made out of its parameters, "" none
     * @param  list<string>  $formerIds  what it was called in recipes, shortcuts and steps of before
     */
    public function __construct(
        public string $id,
        public string $title,
        public Family $family,
        public string $about,
        public array $params = [],
        public Requires $needs = Requires::Notes,
        public array $words = [],
        public array $examples = [[]],
        public array $takes = [AppliesTo::Notes],
        public array $contexts = ['roll'],
        public bool $keeps = false,
        public bool $asked = true,
        public string $panel = 'edit',
        public array $forms = [],
        public array $formerIds = [],
        public array $selectsWith = [],
    ) {
    }

    /**
     * The present ids by former ones.
     *
     * @param  array<array-key, self>  $specs
     * @return array<string, string>
     */
    public static function former(array $specs): array
    {
        return array_merge([], ...array_map(static fn (self $s): array => array_fill_keys($s->formerIds, $s->id), array_values($specs)));
    }

    public function param(string $name): ?Param
    {
        return array_column($this->params, null, 'name')[$name] ?? null;
    }

    public function takes(AppliesTo $what): bool
    {
        return in_array($what, $this->takes, true);
    }

    /**
     * Whether after it, with these parameters, the same things are selected.
     *
     * @param  array<string, mixed>  $params
     */
    public function keepsSelection(array $params): bool
    {
        return $this->keeps && array_filter(array_intersect_key($params, array_flip($this->selectsWith))) === [];
    }

    /** Whether its settings have a panel to be opened. */
    public function hasPanel(): bool
    {
        return $this->asked && $this->params !== [] && $this->panel !== '';
    }

    /** @return array<string, mixed> for the interface and the reference page */
    public function toArray(): array
    {
        return [
            'id' => $this->id, 'title' => $this->title, 'group' => $this->family->value, 'about' => $this->about,
            'params' => array_map(static fn (Param $p): array => $p->toArray(), $this->params),
            'needs' => $this->needs->value, 'words' => $this->words, 'takes' => array_column($this->takes, 'value'),
            'keeps' => $this->keeps, 'selectsWith' => $this->selectsWith, 'asked' => $this->asked, 'panel' => $this->hasPanel() ? $this->panel : '',
        ];
    }
}
