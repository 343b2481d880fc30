<?php

declare(strict_types=1);

namespace Jactonic\Core;

/**
 * Something asked of the core that it will not do. Its message is a whole sentence for the person who asked;
 * nothing has changed when it is thrown.
 */
class Refusal extends \DomainException
{
    /** @param  string|null  $parameter the parameter at fault, by its name in the spec */
    public function __construct(string $message, public readonly ?string $parameter = null)
    {
        parent::__construct($message);
    }

    /** The same sentence for the screen: it names the field as a person sees it. */
    private ?string $screen = null;

    /** Whether its sentence is the one wording of parameters, and not one of its own. */
    private bool $isGeneric = false;

    private static function generic(string $message, string $parameter): self
    {
        $refusal = new self($message, $parameter);
        $refusal->isGeneric = true;

        return $refusal;
    }

    /** With a sentence for the screen, where its own names a parameter and nothing was put in its place yet. */
    public function onScreen(string $sentence): static
    {
        $this->screen ??= $this->isGeneric ? $sentence : null;

        return $this;
    }

    public function screen(): ?string
    {
        return $this->screen;
    }

    /** What came instead of what is allowed, in the one wording used everywhere. */
    public static function parameter(string $name, mixed $came, string $allowed): self
    {
        return self::generic(sprintf('“%s” was %s; allowed: %s.', $name, self::show($came), $allowed), $name);
    }

    public static function missing(string $name, string $allowed): self
    {
        return self::generic(sprintf('“%s” is missing; allowed: %s.', $name, $allowed), $name);
    }

    /** A value as a person would write it, cut short where it is long. */
    public static function show(mixed $value): string
    {
        if (is_float($value) && ! is_finite($value)) {
            return 'a number beyond all bounds';
        }
        $text = json_encode($value, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PARTIAL_OUTPUT_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE);

        return $text === false ? get_debug_type($value) : mb_strimwidth($text, 0, 60, '…');
    }
}
