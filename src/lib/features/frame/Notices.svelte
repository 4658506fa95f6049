<script lang="ts">
	import type { BakeryNow } from '../../client/bakery-now.svelte.ts';
	import type { Outbox } from '../../client/outbox.svelte.ts';
	import type { ClockDoubt } from '../../contracts/views.ts';
	import ClockTrouble from './ClockTrouble.svelte';
	import NotLive from './NotLive.svelte';
	import NotSentYet from './NotSentYet.svelte';
	import StorageTrouble from './StorageTrouble.svelte';

	interface Props {
		/** Since when nothing is heard of the server; null while that is not known. */
		awaySinceMs: number | null;
		/** Since when this page was kept; null where the server gave it. */
		keptAtMs: number | null;
		clockDoubt: ClockDoubt | null;
		/** A way to another page waits. */
		stays: boolean;
		outbox: Outbox;
		now: BakeryNow;
		timeZone: string;
	}
	let { awaySinceMs, keptAtMs, clockDoubt, stays, outbox, now, timeZone }: Props = $props();
</script>

{#if awaySinceMs !== null || stays || keptAtMs !== null}
	<NotLive {awaySinceMs} {keptAtMs} {stays} {now} {timeZone} />
{/if}
<ClockTrouble doubt={clockDoubt} />
{#if outbox.trouble}<StorageTrouble trouble={outbox.trouble} />{/if}
{#if outbox.letters.length > 0}<NotSentYet {outbox} {timeZone} />{/if}
