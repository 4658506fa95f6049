<script lang="ts">
	import type { Outbox } from '../../client/outbox.svelte.ts';
	import { clockText } from '../../wording/time-text.ts';

	interface Props {
		outbox: Outbox;
		timeZone: string;
	}
	let { outbox, timeZone }: Props = $props();
	const waiting = $derived(outbox.letters.filter((letter) => letter.refused === null).length);
</script>

<section class="waiting" aria-label="Not sent yet" data-outbox>
	{#if waiting > 0}
		<p role="status">
			<span class="act-now px-2">Not sent yet</span>
			{waiting === 1 ? 'One entry waits' : `${waiting} entries wait`} in this browser and
			{waiting === 1 ? 'sends itself' : 'send themselves'} when Jovet answers again.
		</p>
	{/if}
	<ul>
		{#each outbox.letters as letter (letter.id)}
			<li>
				<span>
					{clockText(letter.draft.occurredAtMs, timeZone)} <b>{letter.what}</b>
					{#if letter.refused === null && outbox.isOfAnother(letter)}
						by {letter.byName}: it goes as theirs, at the latest when they are signed in here.
					{/if}
					{#if letter.refused}<span role="alert">Not taken: {letter.refused}</span>{/if}
				</span>
				<button class="action-lesser" onclick={() => outbox.discard(letter.id)}
					>{letter.refused === null ? 'Do not send it' : 'Seen'}</button
				>
			</li>
		{/each}
	</ul>
</section>

<style>
	.waiting {
		padding: 8px 20px;
		background: var(--sheet);
		border-bottom: 1px solid var(--line);
	}
	li {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		justify-content: space-between;
		gap: 12px;
		padding: 4px 0;
	}
	@media print {
		.waiting {
			display: none;
		}
	}
</style>
