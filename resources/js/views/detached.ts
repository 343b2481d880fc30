/** Pages that are looked at now and then: fetched as one file, which is smaller than each on its own. */
export { default as backups } from './BackupsPage.svelte';
export { default as chords } from './ChordSheet.svelte';
export { default as start } from './GettingStarted.svelte';
export { default as guide } from './Guide.svelte';
export { default as pace } from './PacePage.svelte';
export { default as sheet } from './Sheet.svelte';
export { default as steps } from './Steps.svelte';
