import type { Song } from '../api/song.svelte';
import { commandOf } from './take';
import { piecesOf, TakeStore, unkept, type Unkept } from './takes';

/** Takes that were interrupted and are not kept yet: offered when their song is open. */
class Interrupted {
    left = $state.raw<Unkept[]>([]);

    /** Looks for takes of a song that were interrupted. */
    async look(song: Song): Promise<void> {
        this.left = await unkept(song.id);
    }

    /** Puts an interrupted take into its part, each piece once. */
    restore(song: Song, left: Unkept): void {
        this.left = this.left.filter((l) => l !== left);
        const store = new TakeStore(left.head.id);
        let missing = 0;
        for (const piece of piecesOf(left)) {
            missing++;
            song.doAlone(commandOf(left.head.params, left.head.part, piece), piece.key, (kept) => {
                // What was refused stays, to be offered again.
                if (!kept) void this.look(song);
                else if (--missing === 0) {
                    store.forget();
                    song.tell(`The take of ${left.head.partName} is kept.`);
                }
            });
        }
    }

    throwAway(left: Unkept): void {
        this.left = this.left.filter((l) => l !== left);
        new TakeStore(left.head.id).forget();
    }
}

export const interrupted = new Interrupted();
