const WORDS: Record<string, string> = {
    caret: 'the caret',
    pointer: 'the pointer',
    'span-start': 'the span’s start',
    'span-end': 'the span’s end',
    'selection-start': 'the start of what is selected',
    'selection-end': 'the end of what is selected',
    'part-start': 'the part’s start',
    'part-end': 'the part’s end',
    'song-end': 'the song’s end',
    bar: 'the caret’s bar',
    'next-bar': 'the next bar',
};

/** A place by its word, as people say it. */
export function placeWords(word: string): string {
    return WORDS[word] ?? word.replace(/^marker:/, 'marker ');
}
