/** What a browser needs to go on without a network, which most desks never ask for: fetched with the first page of one that does. */
export { HandsHere } from './hands-here.svelte.ts';
export { NightKeeper } from './keep-night.svelte.ts';
