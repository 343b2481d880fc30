<?php

declare(strict_types=1);

namespace Jactonic\Core\Recipe;

use Jactonic\Core\Edit\Catalogue;
use Jactonic\Core\Param\Params;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\PartSettings;
use Jactonic\Core\Selection\How;
use Jactonic\Core\Selection\NoteFilter;

/**
 * A command of one's own: notes by a condition, then a chain of steps, with a name. A step is an edit, a selection
 * move, settings that hold until the recipe ends, or another recipe; a step may be switched off.
 *
 * @phpstan-type Step array{edit?: string, params?: array<array-key, mixed>, select?: mixed, how?: string, set?: array<array-key, mixed>, recipe?: string, off?: bool}
 */
final readonly class Recipe
{
    public const ALLOWED = '{"kind": "recipe", "key": text, "name": text, "pick": {…} or null, "steps": [steps]}';

    private const STEP_ALLOWED = 'one of {"edit", "params"}, {"select"}, {"set"} or {"recipe"}, with "off" where it is switched off';

    private const MOST_STEPS = 100;

    /**
     * @param  string  $key  what shortcuts and other recipes know it by: small letters, digits and hyphens
     * @param  array<array-key, mixed>|null  $pick  as NoteFilter::parse takes it; null for all notes selected
     * @param  list<Step>  $steps
     */
    private function __construct(public string $key, public string $name, public ?array $pick, public array $steps)
    {
    }

    /** @throws Refusal that says what is wrong in it, and in which step */
    public static function fromArray(mixed $data): self
    {
        if (! is_array($data) || ($data['kind'] ?? 'recipe') !== 'recipe' || array_diff(array_keys($data), ['kind', 'key', 'name', 'pick', 'steps']) !== []) {
            throw Refusal::parameter('recipe', $data, self::ALLOWED);
        }
        $name = is_string($data['name'] ?? null) ? trim($data['name']) : '';
        if ($name === '' || mb_strlen($name) > 80) {
            throw Refusal::parameter('name', $data['name'] ?? null, 'a name of 1 to 80 letters');
        }
        $key = $data['key'] ?? self::keyOf($name);
        if (! is_string($key) || preg_match('/^[a-z0-9]+(-[a-z0-9]+)*$/', $key) !== 1 || strlen($key) > 80) {
            throw Refusal::parameter('key', $key, 'small letters and digits, parted by hyphens');
        }
        $pick = $data['pick'] ?? null;
        if ($pick !== null) {
            NoteFilter::parse($pick);
        }
        $steps = $data['steps'] ?? null;
        if (! is_array($steps) || ! array_is_list($steps) || ($steps === [] && $pick === null) || count($steps) > self::MOST_STEPS) {
            throw Refusal::parameter('steps', $steps, 'a list of up to '.self::MOST_STEPS.' steps, one at least where there is no condition');
        }
        $checked = [];
        foreach ($steps as $i => $step) {
            try {
                $checked[] = self::step($step);
            } catch (Refusal $refusal) {
                throw new Refusal(sprintf('Step %d of “%s”: %s', $i + 1, $name, $refusal->getMessage()), 'steps');
            }
        }

        return new self($key, $name, is_array($pick) ? $pick : null, $checked);
    }

    /** A key out of a name: "A fifth up" becomes "a-fifth-up". */
    public static function keyOf(string $name): string
    {
        $key = trim((string) preg_replace('/[^a-z0-9]+/', '-', strtolower((string) iconv('UTF-8', 'ASCII//TRANSLIT//IGNORE', strtr($name, ['+' => ' plus ', '−' => ' minus '])))), '-');

        return $key === '' ? 'recipe-'.substr(hash('sha256', $name), 0, 8) : rtrim(substr($key, 0, 60), '-');
    }

    /**
     * What a step does, in a word.
     *
     * @param  array<array-key, mixed>  $step
     */
    public static function title(array $step, Book $book): string
    {
        return match (true) {
            is_string($step['edit'] ?? null) => Catalogue::edit($step['edit'])::spec()->title,
            is_string($step['recipe'] ?? null) => '“'.(($book->recipes[$step['recipe']] ?? null)->name ?? $step['recipe']).'”',
            isset($step['select']) => 'selecting',
            default => 'settings',
        };
    }

    public function withKey(string $key): self
    {
        return new self($key, $this->name, $this->pick, $this->steps);
    }

    public function withName(string $name): self
    {
        return new self($this->key, $name, $this->pick, $this->steps);
    }

    /**
     * With other keys of the recipes that it runs.
     *
     * @param  array<string, string>  $keys  new by old
     */
    public function running(array $keys): self
    {
        return new self($this->key, $this->name, $this->pick, array_map(static fn (array $s): array => isset($s['recipe']) ? ['recipe' => $keys[$s['recipe']] ?? $s['recipe']] + $s : $s, $this->steps));
    }

    /** @return list<string> keys of the recipes that it runs, switched off or not */
    public function runs(): array
    {
        return array_values(array_filter(array_map(static fn (array $s): ?string => $s['recipe'] ?? null, $this->steps)));
    }

    /** @return array<string, mixed> what `fromArray` reads back */
    public function toArray(): array
    {
        $objects = static fn (array $step): array => array_map(static fn (mixed $v): mixed => $v === [] ? (object) [] : $v, $step);

        return ['kind' => 'recipe', 'key' => $this->key, 'name' => $this->name, 'pick' => $this->pick, 'steps' => array_map($objects, $this->steps)];
    }

    /** @return Step */
    private static function step(mixed $step): array
    {
        if (! is_array($step) || count(array_intersect(['edit', 'select', 'set', 'recipe'], array_keys($step))) !== 1
            || array_diff(array_keys($step), ['edit', 'params', 'select', 'how', 'set', 'recipe', 'off']) !== [] || ! is_bool($step['off'] ?? false)) {
            throw Refusal::parameter('step', $step, self::STEP_ALLOWED);
        }
        $off = ($step['off'] ?? false) === true ? ['off' => true] : [];
        if (isset($step['edit'])) {
            $params = $step['params'] ?? [];
            $edit = is_string($step['edit']) ? Catalogue::current($step['edit']) : '';
            if (! isset(Catalogue::classes()[$edit]) || ! is_array($params)) {
                throw Refusal::parameter('edit', $step['edit'], 'the id of an edit');
            }
            Params::check(Catalogue::edit($edit)::spec()->params, $params, $edit);

            return ['edit' => $edit, 'params' => $params] + $off;
        }
        if (isset($step['select'])) {
            $how = How::check($step['select'], $step['how'] ?? null);

            return ['select' => $step['select']] + ($how === How::Instead ? [] : ['how' => $how->value]) + $off;
        }
        if (isset($step['set'])) {
            if (! is_array($step['set'])) {
                throw Refusal::parameter('set', $step['set'], 'settings of a part');
            }
            PartSettings::fresh()->changed($step['set']);

            return ['set' => $step['set']] + $off;
        }
        if (! is_string($step['recipe'] ?? null)) {
            throw Refusal::parameter('recipe', $step['recipe'] ?? null, 'the key of a recipe');
        }

        return ['recipe' => $step['recipe']] + $off;
    }
}
