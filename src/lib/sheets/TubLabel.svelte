<script lang="ts">
	import { dateText } from '../wording/time-text.ts';

	interface Props {
		name: string;
		date: string;
		allergens: readonly string[];
		/** What whoever opens it has to know; null for most. */
		caution?: string | null;
		/** Which of how many mixes; null for a build. */
		mix?: { readonly ordinal: number; readonly count: number } | null;
	}
	let { name, date, allergens, caution = null, mix = null }: Props = $props();
</script>

<aside class="label" aria-label="Tub label">
	<p class="name">{name}</p>
	<p>
		{dateText(date)}{mix && mix.count > 1 ? ` · mix ${mix.ordinal} of ${mix.count}` : ''}
	</p>
	<p>mixed at ______ &nbsp; dough ______ °C &nbsp; by ____________</p>
	<p>
		<b>Allergens:</b>
		{allergens.length > 0 ? allergens.join(', ') : 'none named in the formula'}
	</p>
	{#if caution}<p class="caution">{caution}</p>{/if}
</aside>

<style>
	.label {
		border: 2px dashed var(--ink);
		padding: 8px 12px;
		margin-top: 12px;
		max-width: 380px;
		break-inside: avoid;
	}
	.name {
		font-size: 19px;
		font-weight: 800;
	}
	.caution {
		margin-top: 4px;
		padding: 4px 6px;
		border: 3px solid var(--ink);
		font-weight: 700;
	}
	@media screen {
		.label {
			display: none;
		}
	}
</style>
