<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Track;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Standard\Message;

/** Gives what is in a part another channel, so that it plays with another track's sound. */
final class ChannelChange
{
    /**
     * Puts a part's contents on a channel.
     *
     * @param  bool  $leaveSound  whether its own programs and banks go, since the track that it comes to has its own
     */
    public static function part(ChangeBuilder $builder, Part $part, int $channel, bool $leaveSound): void
    {
        foreach ($part->notes->all() as $note) {
            $builder->put($part, $note->with(['channel' => $channel]));
        }
        foreach ($part->points->all() as $point) {
            if ($leaveSound && self::isSound($point)) {
                $builder->dropPoint($part, $point);
            } else {
                $builder->putPoint($part, $point->with(['status' => ($point->status & 0xF0) | $channel]));
            }
        }
    }

    /** Whether a point says which sound is meant: a program, or the bank before it. */
    public static function isSound(Point $point): bool
    {
        $kind = $point->status & 0xF0;

        return $kind === Message::PROGRAM || ($kind === Message::CONTROLLER && in_array($point->data1, [0, 32], true));
    }
}
