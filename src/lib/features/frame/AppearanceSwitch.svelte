<script lang="ts">
	import { SegmentedControl } from '@skeletonlabs/skeleton-svelte';
	import Monitor from '@lucide/svelte/icons/monitor';
	import Moon from '@lucide/svelte/icons/moon';
	import Sun from '@lucide/svelte/icons/sun';

	interface Props {
		appearance: 'paper' | 'ember' | 'system';
	}
	let { appearance }: Props = $props();
	let chosen = $derived(appearance);

	const CHOICES = [
		{ value: 'paper', label: 'Day: light', Icon: Sun },
		{ value: 'ember', label: 'Night: dark', Icon: Moon },
		{ value: 'system', label: 'As the device is set', Icon: Monitor }
	] as const;
	const A_YEAR_S = 31_536_000;

	function choose(value: string | null) {
		const choice = CHOICES.find((choice) => choice.value === value)?.value ?? 'system';
		chosen = choice;
		document.documentElement.dataset.appearance = choice;
		document.cookie = `appearance=${choice}; path=/; max-age=${A_YEAR_S}; samesite=strict`;
	}
</script>

<SegmentedControl value={chosen} onValueChange={(change) => choose(change.value)}>
	<SegmentedControl.Label class="sr-only">Appearance</SegmentedControl.Label>
	<SegmentedControl.Control class="flex border-2 border-line p-0">
		{#each CHOICES as { value, label, Icon } (value)}
			<SegmentedControl.Item {value} class="appearance-choice">
				<SegmentedControl.ItemText>
					<Icon size={18} aria-hidden="true" /><span class="sr-only">{label}</span>
				</SegmentedControl.ItemText>
				<SegmentedControl.ItemHiddenInput />
			</SegmentedControl.Item>
		{/each}
	</SegmentedControl.Control>
</SegmentedControl>

<style>
	:global(.appearance-choice) {
		display: grid;
		place-items: center;
		min-width: 32px;
		min-height: 32px;
		cursor: pointer;
	}
	:global(.appearance-choice[data-state='checked']) {
		background: var(--ink);
		color: var(--sheet);
	}
	:global(.appearance-choice:has(:focus-visible)) {
		outline: 3px solid var(--ink);
		outline-offset: 2px;
	}
	@media (pointer: coarse) {
		:global(.appearance-choice) {
			min-width: 48px;
			min-height: 48px;
		}
	}
</style>
