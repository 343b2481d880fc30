import { Sentences } from './sentences.svelte';
import type { ScaleData } from '../contract';

/** What stands at the head of every answer; what did not change is left out. */
export interface HeadData {
    name?: string;
    scale?: ScaleData | null;
    tones?: string[];
    revision: number;
    canUndo: boolean;
    canRedo: boolean;
}

/** What stands at the head of a song and of every answer about it. */
export abstract class Head extends Sentences {
    name = $state('');
    revision = 0;
    /** Goes up with each answer that may have changed the history. */
    revisionShown = $state(0);
    canUndo = $state(false);
    canRedo = $state(false);
    /** The song's scale, for parts that have none of their own. */
    scale = $state.raw<ScaleData | null>(null);
    /** Names of the twelve tones from C, as its key spells them. */
    tones = $state.raw<string[]>([]);

    head(head: HeadData): void {
        if (head.name !== undefined) this.name = head.name;
        if (head.scale !== undefined) this.scale = head.scale;
        if (head.tones !== undefined) this.tones = head.tones;
        this.revision = this.revisionShown = head.revision;
        this.canUndo = head.canUndo;
        this.canRedo = head.canRedo;
    }
}
