<script lang="ts">
	import type { ChoiceProps } from './choice.ts';
	import type ChoiceBox from './ChoiceBox.svelte';

	let { label, options, value, placeholder = 'Type to search', onSet }: ChoiceProps = $props();
	const id = $props.id();
	/** The box that searches is fetched when a hand comes near: a page has a dozen of them, and most stay as they are. */
	let box: typeof ChoiceBox | null = $state.raw(null);
	const fetchBox = () => import('./ChoiceBox.svelte');
	let tapped = $state(false);
	const chosen = $derived(options.find((option) => option.value === value)?.label ?? '');
	async function open() {
		box = (await fetchBox()).default;
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
		onpointerdown={() => (tapped = true)}
		onfocus={() => void open()}
	/>
{/if}
