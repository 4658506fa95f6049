<script lang="ts">
	import type { BakeryNow } from '../../client/bakery-now.svelte.ts';
	import FrameNote from './FrameNote.svelte';
	import { ageText, clockText } from '../../wording/time-text.ts';

	interface Props {
		/** Since when nothing is heard of the server; null while that is not known. */
		awaySinceMs: number | null;
		/** Since when this page was kept; null where the server gave it. */
		keptAtMs: number | null;
		/** A way to another page waits. */
		stays: boolean;
		now: BakeryNow;
		timeZone: string;
	}
	let { awaySinceMs, keptAtMs, stays, now, timeZone }: Props = $props();
	const at = (realMs: number) => clockText(now.at(realMs), timeZone);
	const age = $derived(keptAtMs === null ? '' : ageText(now.at(keptAtMs), now.epochMs));
</script>

<FrameNote role="status" label="Not live" data-not-live>
	Jovet does not answer{awaySinceMs === null ? '' : ` since ${at(awaySinceMs)}`}.
	{#if keptAtMs === null}
		What you see may be old;
	{:else}
		<b data-kept-at>What you see is as it was at {at(keptAtMs)}, {age}</b>, with what was tapped
		here since;
	{/if}
	what you type is kept and sends itself when it answers again.
	{#if stays}<b>The way to another page waits until then: this one stays.</b>{/if}
</FrameNote>
