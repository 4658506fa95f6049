<script lang="ts">
	import type { ChoiceProps } from './choice.ts';
	import { untrack } from 'svelte';
	import { Combobox, Portal, useListCollection } from '@skeletonlabs/skeleton-svelte';

	interface Props extends ChoiceProps {
		/** It was tapped rather than reached by key, and shows its choices at once. */
		tapped: boolean;
	}
	let { label, options, value, placeholder, onSet, tapped }: Props = $props();

	/** What was typed to search by; null while the box shows what is chosen. */
	let search: string | null = $state(null);
	let isOpen = $state(untrack(() => tapped));
	const fold = (text: string) => text.toLocaleLowerCase();
	const found = $derived.by(() => {
		const words = search === null ? [] : fold(search).split(/\s+/);
		return options.filter((option) => {
			const text = fold(`${option.label} ${option.note ?? ''}`);
			return words.every((word) => text.includes(word));
		});
	});
	const collection = $derived(
		useListCollection({
			items: [...found],
			itemToValue: (option) => option.value,
			itemToString: (option) => option.label
		})
	);
	const chosen = $derived(options.find((option) => option.value === value)?.label ?? '');
	/** What is typed next takes the place of what is chosen, wherever the cursor stands in it. */
	function selectChosen(event: { currentTarget: HTMLInputElement }) {
		if (search === null) event.currentTarget.select();
	}
</script>

<Combobox
	{collection}
	value={[value]}
	inputValue={search ?? chosen}
	inputBehavior="autohighlight"
	openOnClick
	defaultOpen={untrack(() => tapped)}
	selectionBehavior="replace"
	onInputValueChange={({ inputValue, reason }) => {
		if (reason === 'input-change') search = inputValue;
	}}
	onOpenChange={({ open }) => {
		isOpen = open;
		if (!open) search = null;
	}}
	onValueChange={({ value: [picked] }) => {
		search = null;
		if (picked !== undefined && picked !== value) onSet(picked);
	}}
>
	<Combobox.Control>
		<Combobox.Input
			class="field w-full"
			aria-label={label}
			{placeholder}
			{@attach (input: HTMLInputElement) => input.focus()}
			onfocus={selectChosen}
			onclick={selectChosen}
			onkeydown={(event: KeyboardEvent & { currentTarget: HTMLInputElement }) => {
				// Opening, the box puts the cursor behind what is chosen: what is typed would stand behind it.
				if (event.key.length === 1 && !event.ctrlKey && !event.metaKey) selectChosen(event);
			}}
		/>
	</Combobox.Control>
	{#if isOpen}
		<Portal>
			<Combobox.Positioner>
				<Combobox.Content class="choices">
					{#each found as option (option.value)}
						<Combobox.Item item={option} class="choice">
							<Combobox.ItemText>{option.label}</Combobox.ItemText>
							{#if option.note}<span class="text-note text-ink-2">{option.note}</span>{/if}
						</Combobox.Item>
					{:else}
						<li class="choice text-ink-2">Nothing is called that.</li>
					{/each}
				</Combobox.Content>
			</Combobox.Positioner>
		</Portal>
	{/if}
</Combobox>

<style>
	:global(.choices) {
		max-height: min(320px, 60vh);
		overflow-y: auto;
		border: 2px solid var(--ink);
		background: var(--sheet);
		color: var(--ink);
	}
	:global(.choice) {
		display: flex;
		align-items: baseline;
		justify-content: space-between;
		gap: 12px;
		min-height: 44px;
		padding: 8px 12px;
		cursor: pointer;
	}
	:global(.choice[data-highlighted]) {
		background: var(--ink);
		color: var(--sheet);
	}
	:global(.choice[data-highlighted] span) {
		color: inherit;
	}
	:global(.choice[data-state='checked']) {
		font-weight: 700;
	}
</style>
