import type { RollState } from './roll-state';

/** What is seen of a part. */
interface Seen {
    left: number;
    scale: number;
    top: number;
    row: number;
}

type Follow = 'page' | 'middle' | 'none';

const FOLLOW: Follow[] = ['page', 'middle', 'none'];
const KEPT = 'jactonic.follow';
/** The share of the width at which the next page comes. */
const PAGE_AT = 0.94;

/** What was seen before, what is kept to be seen again, and whether the view goes with the playing line. */
export class Views {
    following = $state<Follow>(FOLLOW.find((f) => f === localStorage.getItem(KEPT)) ?? 'page');
    /** A person looked elsewhere while it plays: the view stays until it is started again. */
    private resting = false;
    private last: Seen | null = null;
    /** What the view that was taken over from another part looked like. */
    private static carried: Seen | null = null;

    constructor(private readonly model: RollState) {}

    private get seen(): Seen {
        const { left, scale, top, row } = this.model.view;
        return { left, scale, top, row };
    }

    private see(seen: Seen): void {
        Object.assign(this.model.view, seen);
        this.model.view.scroll(0, 0);
    }

    /** Before the view goes elsewhere at once. */
    remember(): void {
        if (this.model.view.width > 0) this.last = this.seen;
    }

    /** To the view before, and with the next press back again. */
    back(): void {
        const { last } = this;
        if (!last) return this.model.song.tell('There is no view before this one yet.');
        this.remember();
        this.see(last);
    }

    /** The part that is opened next is seen exactly so. */
    carry(): void {
        Views.carried = this.seen;
    }

    /** Takes over what another part left; says whether it did. */
    exact(): boolean {
        const { carried } = Views;
        Views.carried = null;
        if (!carried) return false;
        this.see(carried);
        return true;
    }

    private get kept(): Record<string, Seen> {
        try {
            return JSON.parse(localStorage.getItem(this.name) ?? '{}') as Record<string, Seen>;
        } catch {
            return {};
        }
    }

    private get name(): string {
        return `jactonic.views.${this.model.song.id}`;
    }

    keep(number: number): void {
        localStorage.setItem(this.name, JSON.stringify({ ...this.kept, [number]: this.seen }));
        this.model.song.tell(`View ${number} is kept.`);
    }

    call(number: number): void {
        const { song, view } = this.model;
        const seen = this.kept[number];
        if (!seen || ![seen.left, seen.scale, seen.top, seen.row].every(Number.isFinite))
            return song.tell(`No view ${number} is kept yet.`);
        if (seen.left >= view.end) return song.tell(`View ${number} lies past the song’s end, which is nearer now.`);
        this.remember();
        this.see(seen);
        song.tell(`View ${number}.`);
    }

    turn(): void {
        this.following = FOLLOW[(FOLLOW.indexOf(this.following) + 1) % FOLLOW.length]!;
        localStorage.setItem(KEPT, this.following);
        this.resting = false;
        this.model.song.tell(
            {
                page: 'The view follows the playing line page by page.',
                middle: 'The view keeps the playing line in its middle.',
                none: 'The view stays where it is while it plays.',
            }[this.following],
        );
    }

    /** It begins to play. */
    start(): void {
        this.resting = false;
    }

    /** A person scrolls: while it plays the view stays where they look. */
    rest(): void {
        this.resting = true;
    }

    /** The playing line is at a tick. */
    follow(tick: number): void {
        const { view } = this.model;
        if (this.resting || this.following === 'none') return;
        const width = view.width / view.scale;
        if (this.following === 'middle') {
            if (Math.abs(tick - width / 2 - view.left) * view.scale < 1 || tick < width / 2) return;
            view.left = tick - width / 2;
        } else {
            if (tick <= view.left + width * PAGE_AT && tick >= view.left) return;
            view.left = tick - 30 / view.scale;
        }
        view.scroll(0, 0);
    }
}
