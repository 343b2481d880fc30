<?php

declare(strict_types=1);

namespace Jactonic\Core\Score;

use Jactonic\Core\Harmony\Scale;
use Jactonic\Core\Refusal;
use Jactonic\Core\Time\Grid;
use Jactonic\Core\Time\Step;
use Jactonic\Core\Time\Timeline;

/** What belongs to a part and is always shown with it: its grid, swing, strength, nudge step and pen. The table of them is Settings. */
final readonly class PartSettings
{
    /** The step that holds for nudges and lengths: the part's own, or one cell of the grid while it is tied to that. */
    public Step $nudge;

    /**
     * @param  float  $swing  50–75 %; 50 is straight
     * @param  int  $strength  0–100 %
     * @param  Step  $ownNudge  the part's own step, kept while the step is tied
     * @param  bool  $tied  whether the step is one cell of the grid, whatever that is
     * @param  string  $lanes  "along" where moved notes take the lanes under them with them, else "stay"
     * @param  int  $penVelocity  1–127, for new notes
     * @param  list<int>  $touches  four stored velocities, 1–127
     * @param  string  $velocityFrom  "touched" where the pen's velocity becomes that of each note touched, else "fixed"
     * @param  string  $lengthFrom  "touched" where new notes are as long as the note last touched, else "fixed"
     * @param  Grid|null  $penLength  length of new notes; null for one cell of the grid
     * @param  float  $swingKept  over 50 to 75 %: the swing that comes back when it is switched on
     * @param  int|null  $touchedLength  ticks; null while no note was touched
     * @param  bool  $held  whether it is held to the scale: what moves pitches by one goes by its steps
     * @param  array<string, list<int>>  $choices  ids of notes by the name under which they were kept to be selected again
     */
    private function __construct(
        public Grid $grid,
        public float $swing,
        public int $strength,
        public Step $ownNudge,
        public bool $tied,
        public string $lanes,
        public int $penVelocity,
        public array $touches,
        public string $velocityFrom,
        public string $lengthFrom,
        public ?Grid $penLength,
        public float $swingKept,
        public ?int $touchedLength,
        public ?Scale $scale,
        public bool $held,
        public array $choices,
    ) {
        $this->nudge = $tied ? Step::parse(['unit' => 'grid', 'amount' => 1]) : $ownNudge;
    }

    /** What a new part starts with. */
    public static function fresh(): self
    {
        static $fresh = null;

        /** @var self */
        return $fresh ??= self::fromArray([]);
    }

    /**
     * @param  array<array-key, mixed>  $data  keys left out take their defaults
     *
     * @throws Refusal that names what is out of range
     */
    public static function fromArray(array $data): self
    {
        $table = Settings::all();
        foreach (array_keys($data) as $key) {
            if (! isset($table[$key])) {
                throw Refusal::parameter((string) $key, $data[$key], 'one of '.implode(', ', array_keys($table)));
            }
        }
        // Before there was a tie, and for whoever sets only a step, a step given holds.
        $data += ['tied' => ! isset($data['nudge'])];
        $values = [];
        foreach ($table as $name => $setting) {
            $values[$name] = $setting->read($data[$name] ?? $setting->default);
        }
        // A swing that is on is the one that comes back.
        if ($values['swing'] > 50) {
            $values['swingKept'] = $values['swing'];
        }

        // @phpstan-ignore argument.type (each was read by its line of the table, which the tests hold against the constructor)
        return new self(...array_values($values));
    }

    /**
     * These settings with some of them changed. `turn` (triplet, dotted, tuplet, finer, coarser) changes the grid from
     * what it is, `swingBy` the swing, `nudgeTurn` (finer, wider) the nudge step; `touch` gives the pen one of the touches; `swing`, and what is one of two,
     * "toggle" turns round; a nudge step that is set is no longer tied, and a pen length that is set holds.
     *
     * @param  array<array-key, mixed>  $set
     *
     * @throws Refusal that names what is out of range; then nothing is changed
     */
    public function changed(array $set): self
    {
        $turn = $set['turn'] ?? null;
        $by = $set['swingBy'] ?? null;
        $touch = $set['touch'] ?? null;
        $nudge = $set['nudgeTurn'] ?? null;
        unset($set['turn'], $set['swingBy'], $set['touch'], $set['nudgeTurn']);
        if ($nudge !== null) {
            $set['nudge'] = $this->nudge->turned(is_string($nudge) ? $nudge : Refusal::show($nudge), $this->grid)->toArray();
        }
        if ($touch !== null) {
            $set['penVelocity'] = $this->touch($touch);
        }
        if ($by !== null) {
            if (! is_int($by) && ! is_float($by)) {
                throw Refusal::parameter('swingBy', $by, 'a number of percent to add, below 0 to remove');
            }
            $set['swing'] = max(50, min(75, $this->swing + $by));
        }
        if (($set['swing'] ?? null) === 'toggle') {
            $set['swing'] = $this->swing > 50 ? 50 : $this->swingKept;
        }
        if (array_key_exists('penLength', $set)) {
            $set += ['lengthFrom' => 'fixed'];
        }
        if (isset($set['nudge'])) {
            $set += ['tied' => false];
        }
        foreach (Settings::all() as $name => $setting) {
            if (($set[$name] ?? null) === 'toggle' && $setting->toggles !== []) {
                $set[$name] = $this->{$name} === $setting->toggles[0] ? $setting->toggles[1] : $setting->toggles[0];
            }
        }
        if ($turn !== null) {
            $set['grid'] = $this->grid->turned(is_string($turn) ? $turn : Refusal::show($turn))->name;
        }

        return self::fromArray($set + $this->toArray());
    }

    /** These settings after a note was touched: what the pen takes from notes, it takes from this one. */
    public function touching(Note $note): self
    {
        $take = ($this->velocityFrom === 'touched' ? ['penVelocity' => $note->velocity] : []) + ($this->lengthFrom === 'touched' ? ['touchedLength' => $note->length] : []);

        return $take === [] || array_intersect_assoc($take, ['penVelocity' => $this->penVelocity, 'touchedLength' => $this->touchedLength]) === $take ? $this : self::fromArray($take + $this->toArray());
    }

    /** How long the pen writes at a place, in ticks: as the note last touched, its own value, or one cell of the grid without swing. */
    public function penTicks(Timeline $time, int $at): int
    {
        return $this->lengthFrom === 'touched' && $this->touchedLength !== null
            ? $this->touchedLength
            : max(1, (int) round($time->lines($this->penLength ?? $this->grid)->cell($at)));
    }

    /** Where writing goes on after a note: past it where the pen has a length of its own, else at the next cell. */
    public function penGoesOn(Timeline $time, int $start, int $length): int
    {
        return $this->penLength !== null || ($this->lengthFrom === 'touched' && $this->touchedLength !== null)
            ? $start + $length
            : $time->lines($this->grid, $this->swing)->after($start);
    }

    /**
     * The velocity of a touch.
     *
     * @param  mixed  $touch  1 to 4
     *
     * @throws Refusal
     */
    public function touch(mixed $touch): int
    {
        return is_int($touch) && $touch >= 1 && $touch <= 4 ? $this->touches[$touch - 1] : throw Refusal::parameter('touch', $touch, 'a whole number from 1 to 4');
    }

    /** What was set, as a sentence. */
    public function sentence(self $before): string
    {
        $now = $this->toArray();
        $was = $before->toArray();
        $said = [];
        foreach (Settings::all() as $name => $setting) {
            // The step that holds changes with the tie as well as by itself.
            $same = $name === 'nudge' ? $this->nudge == $before->nudge : $now[$name] === $was[$name];
            if (! $same && $setting->words !== null) {
                $said[] = ($setting->words)($this, $before);
            }
        }

        return $said === [] ? 'That was set already.' : implode(', ', array_unique($said)).'.';
    }

    /** @return array<string, mixed> what `fromArray` reads back */
    public function toArray(): array
    {
        $written = [];
        foreach (array_keys(Settings::all()) as $name) {
            $value = $name === 'nudge' ? $this->ownNudge : $this->{$name};
            $written[$name] = match (true) {
                $value instanceof Grid => $value->name,
                $value instanceof Step => $value->toArray(),
                $value instanceof Scale => $value->name,
                default => $value,
            };
        }

        return $written;
    }
}
