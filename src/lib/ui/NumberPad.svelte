<script lang="ts">
	import Delete from '@lucide/svelte/icons/delete';

	interface Props {
		value: string;
		/** What is being entered, for those who hear the keys. */
		label: string;
		/** Whole digits alone: there is no point to press. */
		whole?: boolean;
		onChange: (value: string) => void;
	}
	let { value, label, whole = false, onChange }: Props = $props();
	const ALL_KEYS = ['7', '8', '9', '4', '5', '6', '1', '2', '3', '.', '0', 'back'] as const;
	const KEYS = $derived(whole ? ALL_KEYS.map((key) => (key === '.' ? 'none' : key)) : ALL_KEYS);
	const MOST_DIGITS = 8;

	function press(key: string) {
		if (key === 'back') onChange(value.slice(0, -1));
		else if (key === '.') onChange(value.includes('.') ? value : `${value === '' ? '0' : value}.`);
		else if (value.length < MOST_DIGITS) onChange(value + key);
	}
</script>

<div class="pad" role="group" aria-label={label}>
	{#each KEYS as key (key)}
		{#if key === 'none'}<span></span>{:else}<button
				type="button"
				onclick={() => press(key)}
				aria-label={key === 'back' ? 'Take the last digit back' : undefined}
			>
				{#if key === 'back'}<Delete size={26} aria-hidden="true" />{:else}{key}{/if}
			</button>{/if}
	{/each}
</div>

<style>
	.pad {
		display: grid;
		grid-template-columns: repeat(3, 72px);
		gap: 6px;
	}
	.pad button {
		display: grid;
		place-items: center;
		min-height: 58px;
		border: 2px solid var(--line);
		background: var(--ground);
		font-size: 24px;
		font-weight: 700;
		cursor: pointer;
		touch-action: manipulation;
	}
	.pad button:active {
		border-color: var(--ink);
	}
</style>
