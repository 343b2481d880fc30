<?php

declare(strict_types=1);

namespace Jactonic\Core\Keymap;

use Jactonic\Core\Command\Commands;
use Jactonic\Core\Refusal;

/** A shortcut: keys in a context that stand for a command with parameters. */
final readonly class Binding
{
    /**
     * @param  string  $context  songs, song, roll or keys; "any" holds in all of them and gives way to each
     * @param  string  $keys  a stroke, or two parted by a space
     * @param  string  $command  id of a command
     * @param  array<array-key, mixed>  $params
     * @param  string  $label  what the key does, short enough for the key strip
     */
    public function __construct(
        public string $context,
        public string $keys,
        public string $command,
        public array $params,
        public string $label,
    ) {
    }

    /** @throws Refusal that says which shortcut is wrong, and how */
    public static function fromArray(mixed $data): self
    {
        $texts = is_array($data) ? array_intersect_key($data, ['context' => 0, 'keys' => 0, 'command' => 0, 'label' => 0]) : [];
        $params = is_array($data) ? $data['params'] ?? [] : null;
        if (! is_array($data) || count(array_filter($texts, is_string(...))) !== count($texts) || ! isset($texts['context'], $texts['keys'], $texts['command'])
            || array_diff(array_keys($data), ['context', 'keys', 'command', 'params', 'label']) !== [] || ! is_array($params)) {
            throw Refusal::parameter('keys', $data, '{"context", "keys", "command", "params", "label"}');
        }
        /** @var array{context: string, keys: string, command: string, label?: string} $texts */
        $command = Commands::current($texts['command']);
        if (is_string($params['edit'] ?? null)) {
            $params['edit'] = Commands::current($params['edit']);
        }
        foreach (Defaults::FORMER as [$keys, $of, $before, $now]) {
            $params = [$texts['keys'], $command, $params] === [$keys, $of, $before] ? $now : $params;
        }
        try {
            Commands::check($command, $params);
            $keys = Stroke::sequence($texts['keys']);
        } catch (Refusal $refusal) {
            throw new Refusal(sprintf('The shortcut %s: %s', $texts['keys'], $refusal->getMessage()), $refusal->parameter);
        }
        $label = trim($texts['label'] ?? '');

        return new self($texts['context'], $keys, $command, $params, mb_strimwidth($label === '' ? Commands::find($command)->spec->title : $label, 0, 60, '…'));
    }

    /** @return array{context: string, keys: string, command: string, params: object, label: string} */
    public function toArray(): array
    {
        return ['context' => $this->context, 'keys' => $this->keys, 'command' => $this->command, 'params' => (object) $this->params, 'label' => $this->label];
    }
}
