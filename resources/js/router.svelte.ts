export type Place =
    | { at: 'songs' }
    | { at: 'keys'; page: AsidePage }
    | { at: 'song'; song: number }
    | { at: 'chords'; song: number }
    | { at: 'roll'; song: number; part: number };

/** A page that is of no song. */
export type AsidePage = keyof typeof PAGES;

const PAGES = {
    shortcuts: '/keys',
    sheet: '/keys/sheet',
    pace: '/pace',
    guide: '/guide',
    start: '/getting-started',
    backups: '/backups',
} as const;

function read(path: string): Place {
    if (path === '/keys') return { at: 'keys', page: 'shortcuts' };
    if (path === '/keys/sheet') return { at: 'keys', page: 'sheet' };
    if (path === '/guide') return { at: 'keys', page: 'guide' };
    if (path === '/getting-started') return { at: 'keys', page: 'start' };
    if (path === '/backups') return { at: 'keys', page: 'backups' };
    if (path === '/pace') return { at: 'keys', page: 'pace' };
    const chords = /^\/songs\/(\d+)\/chords$/.exec(path);
    if (chords) return { at: 'chords', song: Number(chords[1]) };
    const hit = /^\/songs\/(\d+)(?:\/parts\/(\d+))?$/.exec(path);
    if (!hit) return { at: 'songs' };
    return hit[2] ? { at: 'roll', song: Number(hit[1]), part: Number(hit[2]) } : { at: 'song', song: Number(hit[1]) };
}

export function addressOf(place: Place): string {
    if (place.at === 'songs') return '/';
    if (place.at === 'keys') return PAGES[place.page];
    if (place.at === 'chords') return `/songs/${place.song}/chords`;
    return place.at === 'song' ? `/songs/${place.song}` : `/songs/${place.song}/parts/${place.part}`;
}

/** Where the person is, in step with the address, so that the browser's back and forward work. */
class Router {
    place = $state.raw<Place>(read(location.pathname));
    /** The address that was come by, where it is none of a page. */
    readonly unknown = this.place.at === 'songs' && location.pathname !== '/' ? location.pathname : '';

    constructor() {
        window.addEventListener('popstate', () => (this.place = read(location.pathname)));
    }

    /** Where the person was before they went among the shortcuts. */
    private before: Place = { at: 'songs' };

    /** Whether the address is of a page that is of no song: a part that is left still sees the place of before. */
    get isAside(): boolean {
        return read(location.pathname).at === 'keys';
    }

    back(): void {
        this.go(this.before);
    }

    go(place: Place): void {
        if (this.place.at !== 'keys' && this.place.at !== 'chords') this.before = this.place;
        const address = addressOf(place);
        if (address !== location.pathname) history.pushState(null, '', address);
        this.place = place;
    }
}

export const router = new Router();

/** Lets a link be a link, and a plain click on it stay in the application. */
export function follow(e: MouseEvent, place: Place): void {
    if (e.button !== 0 || e.ctrlKey || e.metaKey || e.shiftKey || e.altKey) return;
    e.preventDefault();
    router.go(place);
}
