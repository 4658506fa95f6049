<script lang="ts">
	import { onMount } from 'svelte';
	import type { BakeryNow } from '../../client/bakery-now.svelte.ts';
	import type { Outbox } from '../../client/outbox.svelte.ts';
	import type { ClockDoubt } from '../../contracts/views.ts';
	import NotLive from './NotLive.svelte';
	import NotSentYet from './NotSentYet.svelte';
	import type TroublesOf from './Troubles.svelte';

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

	/** What is rarely wrong is fetched after the page; that the server went is told by what the page brings with it. */
	let Troubles: typeof TroublesOf | null = $state.raw(null);
	onMount(() => {
		// Where it could not be fetched, since the server went as the page came, the next page tells.
		void import('./Troubles.svelte').then(
			(one) => (Troubles = one.default),
			() => undefined
		);
	});
</script>

{#if awaySinceMs !== null || stays || keptAtMs !== null}
	<NotLive {awaySinceMs} {keptAtMs} {stays} {now} {timeZone} />
{/if}
{#if Troubles}<Troubles {clockDoubt} storage={outbox.trouble} />{/if}
{#if outbox.letters.length > 0}<NotSentYet {outbox} {timeZone} />{/if}
