import type { Command } from '../../api/types';

export const insertRecording = (part: number, params: Record<string, unknown>): Command => ({
    edit: TAKE,
    on: { part, notes: [] },
    params,
    more: true,
});
/** The edit that a take is. */
export const TAKE = 'insert-recording';
