<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import type { ExtraNeed } from '../../core/production/index.ts';
	import { formatMass } from '../../core/units/index.ts';
	import { EXTRA_USE_TEXT } from '../../wording/kind-text.ts';

	interface Props {
		extras: readonly ExtraNeed[];
	}
	let { extras }: Props = $props();
	const { bakery } = useRoom();
</script>

{#if extras.length > 0}
	<section class="mb-6 px-5" aria-labelledby="extras" data-extras>
		<h2 id="extras" class="mb-2">At the piece: what goes on, in and around it</h2>
		<table class="w-full border border-line bg-sheet">
			<thead>
				<tr>
					<th scope="col">Product</th>
					<th scope="col">Use</th>
					<th scope="col">What</th>
					<th scope="col" class="number">To have</th>
					<th scope="col">Allergens</th>
				</tr>
			</thead>
			<tbody>
				{#each extras as extra, at (at)}
					<tr>
						<th scope="row">{extra.pieces} {extra.product}</th>
						<td>{EXTRA_USE_TEXT[extra.use]}</td>
						<td>{extra.name}</td>
						<td class="number"><b>{formatMass(extra.amount, 0, bakery.units)}</b></td>
						<td>{extra.allergens.join(', ') || 'none named'}</td>
					</tr>
				{/each}
			</tbody>
		</table>
	</section>
{/if}

<style>
	th,
	td {
		padding: 4px 10px;
		border-bottom: 1px solid var(--line);
		text-align: left;
	}
	tbody th {
		font-weight: 400;
	}
	.number {
		text-align: right;
		white-space: nowrap;
	}
</style>
