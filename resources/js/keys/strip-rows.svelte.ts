const KEPT = 'jactonic.strip';
const ROWS = [2, 1, 0];

/** How many rows the key strip has, as this browser keeps it. */
class StripRows {
    count = $state(Math.min(2, Number(localStorage.getItem(KEPT) ?? 2)));

    /** Two rows, one, none, and two again. */
    turn(): void {
        this.count = ROWS[(ROWS.indexOf(this.count) + 1) % ROWS.length]!;
        localStorage.setItem(KEPT, String(this.count));
    }
}

export const stripRows = new StripRows();
