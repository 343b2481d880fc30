<?php

declare(strict_types=1);

namespace Jactonic\Core\Midi;

use Jactonic\Core\Progress;
use Jactonic\Core\Standard\Message;

/** The events of a track that is being written: kept in columns of numbers, since there may be many. */
final class EventList
{
    /** The classes of events at one tick, in their order. */
    public const META = 0;

    public const OFF = 1;

    public const CONTROL = 2;

    public const ON = 3;

    /** After what begins there: the end of a note that its file ends as it begins. */
    public const AT_ONCE = 4;

    /** More than there are. */
    private const CLASSES = 8;

    /** @var list<int> tick and class as one number */
    private array $places = [];

    /** @var list<int> of those at one place the lower comes first */
    private array $orders = [];

    /** @var list<int> likewise, among those of one order */
    private array $subOrders = [];

    /** @var list<int> status and two bytes of data as one number */
    private array $messages = [];

    /** @var array<int, string> bodies of those that have one, by index */
    private array $bodies = [];

    /** @param  int  $end  tick at which the track ends, at the earliest */
    public function __construct(private int $end)
    {
    }

    /**
     * All events of several lists as one.
     *
     * @param  list<self>  $lists
     */
    public static function together(array $lists): self
    {
        $all = new self(0);
        foreach ($lists as $list) {
            $from = count($all->places);
            array_push($all->places, ...$list->places);
            array_push($all->orders, ...$list->orders);
            array_push($all->subOrders, ...$list->subOrders);
            array_push($all->messages, ...$list->messages);
            foreach ($list->bodies as $i => $body) {
                $all->bodies[$from + $i] = $body;
            }
            $all->end = max($all->end, $list->end);
        }

        return $all;
    }

    /**
     * @param  int  $class  of those at one tick the lower comes first, and of one class the lower order
     * @param  int  $subOrder  among those of one order the lower comes first, and of equal ones the one that was added first
     */
    public function add(int $tick, int $class, int $order, int $status, int $data1, int $data2, string $body = '', int $subOrder = 0): void
    {
        if ($body !== '') {
            $this->bodies[count($this->places)] = $body;
        }
        $this->places[] = $tick * self::CLASSES + $class;
        $this->orders[] = $order;
        $this->subOrders[] = $subOrder;
        $this->messages[] = $status << 16 | $data1 << 8 | $data2;
    }

    /** Whether every event stands on a whole multiple of so many ticks. */
    public function fits(int $scale): bool
    {
        if ($scale > 1) {
            foreach ($this->places as $place) {
                if (intdiv($place, self::CLASSES) % $scale !== 0) {
                    return false;
                }
            }
        }

        return true;
    }

    /**
     * The events in order, with the one that ends the track.
     *
     * @param  int  $scale  ticks to one of the file's
     * @return list<Event>
     */
    public function inOrder(int $scale): array
    {
        $indices = array_keys($this->places);
        array_multisort($this->places, SORT_NUMERIC, $this->orders, SORT_NUMERIC, $this->subOrders, SORT_NUMERIC, $indices);
        $events = [];
        foreach ($indices as $at => $i) {
            Progress::step();
            $message = $this->messages[$i];
            $events[] = new Event(intdiv(intdiv($this->places[$at], self::CLASSES), $scale), $message >> 16, $message >> 8 & 0xFF, $message & 0xFF, $this->bodies[$i] ?? '');
        }
        $last = $events === [] ? 0 : $events[count($events) - 1]->tick;
        $events[] = new Event(max($last, intdiv($this->end, $scale)), Message::META, Message::META_END);

        return $events;
    }
}
