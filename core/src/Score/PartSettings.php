<?php

declare(strict_types=1);

namespace Jactonic\Core\Score;

use Jactonic\Core\Refusal;
use Jactonic\Core\Time\Grid;
use Jactonic\Core\Time\Lines;
use Jactonic\Core\Time\Step;

/** What belongs to a part and is always shown with it: its grid, swing, strength, nudge step and pen. */
final readonly class PartSettings
{
    /** Soft, middling, strong, hardest. */
    private const TOUCHES = [45, 70, 95, 118];

    /** Swing where it is switched on and none was set before. */
    private const SWING = 60.0;

    /** The step that holds for nudges and lengths: the part's own, or one cell of the grid while it is tied to that. */
    public Step $nudge;

    /**
     * @param  float  $swing  50–75 %; 50 is straight
     * @param  int  $strength  0–100 %
     * @param  Step  $ownNudge  the part's own step, kept while the step is tied
     * @param  bool  $tied  whether the step is one cell of the grid, whatever that is
     * @param  int  $penVelocity  1–127, for new notes
     * @param  Grid|null  $penLength  length of new notes; null for one cell of the grid
     * @param  float  $swingKept  over 50 to 75 %: the swing that comes back when it is switched on
     * @param  list<int>  $touches  four stored velocities, 1–127
     * @param  string  $velocityFrom  "touched" where the pen's velocity becomes that of each note touched, else "fixed"
     * @param  string  $lengthFrom  "touched" where new notes are as long as the note last touched, else "fixed"
     * @param  int|null  $touchedLength  ticks; null while no note was touched
     * @param  string  $lanes  "along" where moved notes take the lanes under them with them, else "stay"
     */
    public function __construct(
        public Grid $grid,
        public float $swing,
        public int $strength,
        public Step $ownNudge,
        public bool $tied = true,
        public int $penVelocity = 90,
        public ?Grid $penLength = null,
        public float $swingKept = self::SWING,
        public string $lanes = 'stay',
        public array $touches = self::TOUCHES,
        public string $velocityFrom = 'fixed',
        public string $lengthFrom = 'fixed',
        public ?int $touchedLength = null,
    ) {
        $this->nudge = $tied ? Step::parse(['unit' => 'grid', 'amount' => 1]) : $ownNudge;
    }

    /** What a new part starts with. */
    public static function fresh(): self
    {
        return self::fromArray([]);
    }

    /**
     * @param  array<array-key, mixed>  $data  keys left out take their defaults
     *
     * @throws Refusal that names what is out of range
     */
    public static function fromArray(array $data): self
    {
        $known = ['grid', 'swing', 'strength', 'nudge', 'tied', 'penVelocity', 'penLength', 'swingKept', 'lanes', 'touches', 'velocityFrom', 'lengthFrom', 'touchedLength'];
        foreach (array_keys($data) as $key) {
            if (! in_array($key, $known, true)) {
                throw Refusal::parameter((string) $key, $data[$key], 'one of '.implode(', ', $known));
            }
        }
        $swing = $data['swing'] ?? Lines::STRAIGHT;
        if ((! is_int($swing) && ! is_float($swing)) || $swing < 50 || $swing > 75) {
            throw Refusal::parameter('swing', $swing, '50 to 75 %');
        }
        $strength = $data['strength'] ?? 100;
        if (! is_int($strength) || $strength < 0 || $strength > 100) {
            throw Refusal::parameter('strength', $strength, 'a whole number from 0 to 100 %');
        }
        // Before there was a tie, and for whoever sets only a step, a step given holds.
        $tied = $data['tied'] ?? ! isset($data['nudge']);
        if (! is_bool($tied)) {
            throw Refusal::parameter('tied', $tied, 'true or false');
        }
        $penVelocity = $data['penVelocity'] ?? 90;
        if (! is_int($penVelocity) || $penVelocity < Note::SOFTEST || $penVelocity > Note::LOUDEST) {
            throw Refusal::parameter('penVelocity', $penVelocity, 'a whole number from 1 to 127');
        }
        $penLength = $data['penLength'] ?? null;
        $kept = $swing > 50 ? $swing : $data['swingKept'] ?? self::SWING;
        if ((! is_int($kept) && ! is_float($kept)) || $kept <= 50 || $kept > 75) {
            throw Refusal::parameter('swingKept', $kept, 'over 50 to 75 %');
        }
        $lanes = $data['lanes'] ?? 'stay';
        if ($lanes !== 'stay' && $lanes !== 'along') {
            throw Refusal::parameter('lanes', $lanes, 'stay or along');
        }

        foreach (['velocityFrom', 'lengthFrom'] as $from) {
            if (! in_array($data[$from] ?? 'fixed', ['fixed', 'touched'], true)) {
                throw Refusal::parameter($from, $data[$from], 'fixed or touched');
            }
        }
        $touchedLength = $data['touchedLength'] ?? null;
        if ($touchedLength !== null && (! is_int($touchedLength) || $touchedLength < 1)) {
            throw Refusal::parameter('touchedLength', $touchedLength, 'ticks, 1 or more');
        }
        $touches = [];
        foreach (is_array($data['touches'] ?? null) ? $data['touches'] : self::TOUCHES as $touch) {
            if (! is_int($touch) || $touch < Note::SOFTEST || $touch > Note::LOUDEST) {
                throw Refusal::parameter('touches', $touch, 'four whole numbers from 1 to 127');
            }
            $touches[] = $touch;
        }
        if (count($touches) !== 4 || ! is_array($data['touches'] ?? [])) {
            throw Refusal::parameter('touches', $data['touches'] ?? null, 'four whole numbers from 1 to 127');
        }

        return new self(
            Grid::parse(self::text($data['grid'] ?? '1/16', 'grid')),
            (float) $swing,
            $strength,
            Step::parse($data['nudge'] ?? ['unit' => 'ms', 'amount' => 10], 'nudge'),
            $tied,
            $penVelocity,
            $penLength === null ? null : Grid::parse(self::text($penLength, 'penLength'), 'penLength'),
            (float) $kept,
            $lanes,
            $touches,
            ($data['velocityFrom'] ?? 'fixed') === 'touched' ? 'touched' : 'fixed',
            ($data['lengthFrom'] ?? 'fixed') === 'touched' ? 'touched' : 'fixed',
            $touchedLength,
        );
    }

    /**
     * These settings with some of them changed. `turn` (triplet, dotted, tuplet, finer, coarser) changes the grid from
     * what it is, `swingBy` the swing; `touch` gives the pen one of the touches; `swing`, `tied`, `lanes`,
     * `velocityFrom` and `lengthFrom` "toggle" turn these round; a nudge step that is set is
     * no longer tied.
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
        unset($set['turn'], $set['swingBy'], $set['touch']);
        if ($touch !== null) {
            $set['penVelocity'] = $this->touch($touch);
        }
        if ($by !== null) {
            if (! is_int($by) && ! is_float($by)) {
                throw Refusal::parameter('swingBy', $by, 'a number of percent to add, below 0 to take away');
            }
            $set['swing'] = max(50, min(75, $this->swing + $by));
        }
        if (($set['swing'] ?? null) === 'toggle') {
            $set['swing'] = $this->swing > 50 ? 50 : $this->swingKept;
        }
        foreach (['velocityFrom', 'lengthFrom'] as $from) {
            if (($set[$from] ?? null) === 'toggle') {
                $set[$from] = $this->{$from} === 'fixed' ? 'touched' : 'fixed';
            }
        }
        // A length that is set holds.
        if (array_key_exists('penLength', $set) && ! isset($set['lengthFrom'])) {
            $set['lengthFrom'] = 'fixed';
        }
        if (($set['lanes'] ?? null) === 'toggle') {
            $set['lanes'] = $this->lanes === 'stay' ? 'along' : 'stay';
        }
        if (($set['tied'] ?? null) === 'toggle') {
            $set['tied'] = ! $this->tied;
        } elseif (isset($set['nudge']) && ! isset($set['tied'])) {
            $set['tied'] = false;
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
        $said = [];
        if ($this->grid->name !== $before->grid->name) {
            $said[] = 'Grid '.$this->grid->name;
        }
        if ($this->swing !== $before->swing) {
            $said[] = $this->swing > 50 ? 'Swing '.rtrim(rtrim(number_format($this->swing, 2), '0'), '.').' %' : 'Swing off: the grid is straight';
        }
        if ($this->strength !== $before->strength) {
            $said[] = "Strength $this->strength %";
        }
        if ($this->nudge != $before->nudge) {
            $said[] = 'Nudge step '.$this->nudge->words(1).($this->tied ? ', tied to the grid' : '');
        }
        if ($this->lanes !== $before->lanes) {
            $said[] = $this->lanes === 'along' ? 'Lanes come along with notes that are moved' : 'Lanes stay where they are';
        }
        if ($this->penVelocity !== $before->penVelocity) {
            $said[] = "Pen velocity $this->penVelocity";
        }
        if ($this->touches !== $before->touches) {
            $said[] = 'Touches '.implode(', ', $this->touches);
        }
        if ($this->velocityFrom !== $before->velocityFrom) {
            $said[] = $this->velocityFrom === 'touched' ? 'Pen velocity as of the note last touched' : "Pen velocity fixed at $this->penVelocity";
        }
        if ($this->lengthFrom !== $before->lengthFrom) {
            $said[] = $this->lengthFrom === 'touched' ? 'Pen length as of the note last touched' : 'Pen length '.($this->penLength->name ?? 'one grid cell');
        }
        if ($this->penLength?->name !== $before->penLength?->name) {
            $said[] = 'Pen length '.($this->penLength->name ?? 'one grid cell');
        }

        return $said === [] ? 'That was set already.' : implode(', ', $said).'.';
    }

    /** @return array<string, mixed> what `fromArray` reads back */
    public function toArray(): array
    {
        $nudge = ['unit' => $this->ownNudge->unit, 'amount' => $this->ownNudge->value->name ?? $this->ownNudge->amount];
        if ($this->ownNudge->unit === 'samples') {
            $nudge['rate'] = $this->ownNudge->rate;
        }

        return [
            'grid' => $this->grid->name,
            'swing' => $this->swing,
            'strength' => $this->strength,
            'nudge' => $nudge,
            'tied' => $this->tied,
            'penVelocity' => $this->penVelocity,
            'penLength' => $this->penLength?->name,
            'swingKept' => $this->swingKept,
            'lanes' => $this->lanes,
            'touches' => $this->touches,
            'velocityFrom' => $this->velocityFrom,
            'lengthFrom' => $this->lengthFrom,
            'touchedLength' => $this->touchedLength,
        ];
    }

    private static function text(mixed $value, string $name): string
    {
        return is_string($value) ? $value : throw Refusal::parameter($name, $value, Grid::ALLOWED);
    }
}
