<script lang="ts">
	import { Dialog, Portal } from '@skeletonlabs/skeleton-svelte';
	import type { Explained, Given, Worked } from '../../core/explain/index.ts';
	import type { UnitChoice } from '../../core/units/index.ts';
	import { decimalsOf } from './digits.ts';
	import { sentenceOf, unitsOfSentence, valueText } from './sentence.ts';

	interface Props {
		open: boolean;
		title: string;
		explained: Explained | null;
		notes: readonly string[];
		units: UnitChoice;
		/** What a number is called. */
		nameOf: (explained: Explained) => string;
		/** Where a given number comes from, in words, and where it can be changed. */
		sourceOf: (given: Given) => { text: string; href?: string };
		onClose: () => void;
	}
	let { open, title, explained, notes, units, nameOf, sourceOf, onClose }: Props = $props();

	/** The worked numbers a sentence shows by value, so that each gets a sentence of its own. */
	function inner(one: Worked): Worked[] {
		return named(one).filter((input): input is Worked => input.kind === 'worked');
	}
	function named(one: Worked): Explained[] {
		const found = sentenceOf(one, units).flatMap((part) =>
			part.kind === 'number' ? [part.from] : []
		);
		// A number that stands twice in a sentence is told once; a bare 1 needs no telling.
		const byTermAndValue = new Map(
			found.map((input) => [JSON.stringify([input.term, input.value]), input])
		);
		return [...byTermAndValue.values()].filter((input) => input.term.key !== 'whole');
	}
</script>

<Dialog {open} onOpenChange={(change) => !change.open && onClose()} preventScroll={false}>
	<Portal>
		<Dialog.Backdrop class="slip-backdrop" />
		<Dialog.Positioner class="slip-place">
			<Dialog.Content class="slip">
				<header class="mb-3 flex items-start justify-between gap-4">
					<Dialog.Title class="text-lead font-bold">{title}</Dialog.Title>
					<Dialog.CloseTrigger class="action-lesser">Close</Dialog.CloseTrigger>
				</header>
				{#if explained}
					{#if explained.kind === 'worked'}
						{@render work(explained, true)}
					{:else}
						{@render line(explained)}
					{/if}
				{/if}
				{#each notes as note (note)}
					<p class="mt-3 border-t border-line pt-3">{note}</p>
				{/each}
			</Dialog.Content>
		</Dialog.Positioner>
	</Portal>
</Dialog>

{#snippet work(one: Worked, first: boolean)}
	{@const digits = decimalsOf(one, unitsOfSentence(one, units))}
	<section class={first ? '' : 'mt-4 border-t border-line pt-3'}>
		{#if !first}<h3 class="text-note text-ink-2">{nameOf(one)}</h3>{/if}
		<p class={first ? 'text-lead' : 'text-body'} data-sentence>
			{#each sentenceOf(one, units) as part, index (index)}{#if part.kind === 'number'}<span
						class="underline decoration-2 underline-offset-4">{part.text}</span
					>{:else}{part.text}{/if}{/each}
		</p>
		<dl class="mt-2">
			{#each named(one) as input, index (index)}
				{#if input.kind === 'given'}{@render line(input, digits.get(input))}{/if}
			{/each}
		</dl>
		{#each inner(one) as deeper, index (index)}
			{@render work(deeper, false)}
		{/each}
	</section>
{/snippet}

{#snippet line(given: Given, decimals?: number)}
	{@const source = sourceOf(given)}
	<div class="flex flex-wrap justify-between gap-x-4 border-t border-line py-1">
		<dt>{nameOf(given)}</dt>
		<dd class="text-right">
			<b>{valueText(given, units, decimals)}</b>
			<span class="block text-note text-ink-2">
				{#if source.href}
					<!-- eslint-disable-next-line svelte/no-navigation-without-resolve -- the address is resolved by the frame that gives it -->
					<a href={source.href} onclick={onClose}>{source.text}</a>
				{:else}{source.text}{/if}
			</span>
		</dd>
	</div>
{/snippet}

<style>
	:global(.slip-backdrop) {
		z-index: 20;
		position: fixed;
		inset: 0;
		background: color-mix(in srgb, var(--ground) 55%, transparent);
	}
	:global(.slip-place) {
		z-index: 21;
		position: fixed;
		inset: 0;
		display: flex;
		justify-content: flex-end;
	}
	:global(.slip) {
		width: min(440px, 100vw);
		height: 100vh;
		overflow-y: auto;
		background: var(--sheet);
		color: var(--ink);
		border-left: 2px solid var(--ink);
		padding: 20px;
	}
</style>
