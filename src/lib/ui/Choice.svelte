<script lang="ts">
	import type { ChoiceProps } from './choice.ts';
	import type ChoiceBox from './ChoiceBox.svelte';

	let { label, options, value, placeholder = 'Type to search', onSet }: ChoiceProps = $props();
	const id = $props.id();
	/** The box that searches is fetched when a hand comes near: a page has a dozen of them, and most stay as they are. */
	let box: typeof ChoiceBox | null = $state.raw(null);
	/** null while the server is away: it stays as it is, and is fetched with the next touch. */
	const fetchBox = () =>
		import('./ChoiceBox.svelte').then(
			(fetched) => fetched.default,
			() => null
		);
	let tapped = $state(false);
	const chosen = $derived(options.find((option) => option.value === value)?.label ?? '');
	async function open(field: HTMLInputElement) {
		const fetched = await fetchBox();
		// A hand that has gone on meanwhile is not brought back.
		if (fetched && document.activeElement === field) box = fetched;
	}
</script>

{#if box}
	{@const Box = box}
	<Box {label} {options} {value} {placeholder} {onSet} {tapped} />
{:else}
	<input
		{id}
		class="field w-full"
		type="text"
		role="combobox"
		aria-label={label}
		aria-expanded="false"
		aria-controls="{id}-choices"
		aria-haspopup="listbox"
		readonly
		{placeholder}
		value={chosen}
		onpointerenter={() => void fetchBox()}
		onpointerdown={(event) => {
			tapped = true;
			if (document.activeElement === event.currentTarget) void open(event.currentTarget);
		}}
		onfocus={(event) => void open(event.currentTarget)}
	/>
{/if}
