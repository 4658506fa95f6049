<script lang="ts">
	import { readAnew } from '../../../client/read-anew.ts';
	import { Sending } from '../../../client/sending.svelte.ts';
	import { useRoom } from '../../../client/room-context.ts';
	import type { IngredientDetailView } from '../../../contracts/book-views.ts';
	import {
		MILLINGS,
		type FlourProperties,
		type Ingredient,
		type Milling
	} from '../../../core/formula/index.ts';
	import { wallTimeOf } from '../../../core/time/index.ts';
	import { formatNumber } from '../../../core/units/index.ts';
	import { shortDateText } from '../../../wording/time-text.ts';
	import NumberField from '../../../fields/NumberField.svelte';

	interface Props {
		view: IngredientDetailView;
		ingredient: Ingredient;
	}
	let { view, ingredient }: Props = $props();
	const room = useRoom();

	const UNKNOWN: FlourProperties = {
		extractionPercent: null,
		proteinPercent: null,
		ashPercent: null,
		moisturePercent: null,
		fallingNumberSeconds: null,
		absorptionPoints: null,
		milling: null,
		wholegrainPercent: null
	};
	/** One identity for one delivery, so that adding it twice makes one. */
	let deliveryId = crypto.randomUUID();
	let lot = $state('');
	let receivedOn = $state('');
	let properties: FlourProperties = $state.raw(UNKNOWN);
	const sending = new Sending(room.retries);

	const today = $derived(
		wallTimeOf({ epochMs: room.now.epochMs }, room.bakery.timeZone).date as string
	);
	const set = (change: Partial<FlourProperties>) => (properties = { ...properties, ...change });
	const known = (value: number | null, unit: string, decimals = 1) =>
		value === null ? '·' : `${formatNumber(value, decimals)}${unit}`;
	const signed = (value: number | null) =>
		value === null ? '·' : `${value > 0 ? '+' : ''}${formatNumber(value, 1)}`;

	async function add(event: SubmitEvent) {
		event.preventDefault();
		if (lot.trim() === '') {
			sending.message = 'Type the lot as the sack says it.';
			return;
		}
		const sent = { lot, receivedOn, properties };
		await sending.send(
			{
				kind: 'add-delivery',
				occurredAtMs: Math.round(room.now.epochMs),
				deliveryId,
				ingredientId: ingredient.id,
				receivedOn: receivedOn || today,
				lot,
				properties
			},
			async ({ outcome }) => {
				if (outcome !== 'done') return;
				deliveryId = crypto.randomUUID();
				// What was typed while it was on its way stays: the next of a pallet.
				if (lot === sent.lot) lot = '';
				if (receivedOn === sent.receivedOn) receivedOn = '';
				if (properties === sent.properties) properties = UNKNOWN;
				await readAnew('jovet:day');
			}
		);
	}
</script>

<section class="mt-3 border border-line bg-sheet p-4" aria-labelledby="deliveries" data-deliveries>
	<h2 id="deliveries" class="mb-2">Deliveries</h2>
	{#if view.deliveries.length === 0}
		<p class="mb-2">None written down yet. Every formula counts on the house flour.</p>
	{:else}
		<div class="overflow-x-auto">
			<table class="w-full">
				<thead>
					<tr>
						<th scope="col">Lot</th><th scope="col">Came</th><th scope="col" class="right"
							>Water, points</th
						><th scope="col" class="right">Protein</th><th scope="col" class="right">Ash</th><th
							scope="col"
							class="right">Moisture</th
						><th scope="col" class="right">Falling no.</th><th scope="col">Milled</th>
					</tr>
				</thead>
				<tbody>
					{#each view.deliveries as delivery (delivery.id)}
						<tr>
							<th scope="row">{delivery.lot}</th>
							<td>{shortDateText(delivery.receivedOn)}</td>
							<td class="right"><b>{signed(delivery.properties.absorptionPoints)}</b></td>
							<td class="right">{known(delivery.properties.proteinPercent, ' %')}</td>
							<td class="right">{known(delivery.properties.ashPercent, ' %', 2)}</td>
							<td class="right">{known(delivery.properties.moisturePercent, ' %')}</td>
							<td class="right">{known(delivery.properties.fallingNumberSeconds, ' s', 0)}</td>
							<td>{delivery.properties.milling ?? '·'}</td>
						</tr>
					{/each}
				</tbody>
			</table>
		</div>
	{/if}
	<form class="mt-3" onsubmit={add}>
		<h3 class="mb-1">Write one down</h3>
		<div class="fields">
			<label class="flex items-center justify-between gap-3"
				>Lot <input name="lot" class="field min-w-0" bind:value={lot} maxlength="100" /></label
			>
			<label class="flex items-center justify-between gap-3"
				>Came on <input
					name="receivedOn"
					class="field"
					type="date"
					bind:value={receivedOn}
					placeholder={today}
				/></label
			>
			<NumberField
				label="Water beyond the house flour"
				value={properties.absorptionPoints}
				unit="points"
				least={-50}
				most={50}
				optional
				onSet={(value: number | null) => set({ absorptionPoints: value })}
			/>
			<NumberField
				label="Protein"
				value={properties.proteinPercent}
				unit="%"
				least={0}
				most={100}
				optional
				onSet={(value: number | null) => set({ proteinPercent: value })}
			/>
			<NumberField
				label="Ash"
				value={properties.ashPercent}
				unit="%"
				decimals={2}
				least={0}
				most={100}
				optional
				onSet={(value: number | null) => set({ ashPercent: value })}
			/>
			<NumberField
				label="Moisture"
				value={properties.moisturePercent}
				unit="%"
				least={0}
				most={100}
				optional
				onSet={(value: number | null) => set({ moisturePercent: value })}
			/>
			<NumberField
				label="Extraction"
				value={properties.extractionPercent}
				unit="%"
				least={0}
				most={100}
				optional
				onSet={(value: number | null) => set({ extractionPercent: value })}
			/>
			<NumberField
				label="Falling number"
				value={properties.fallingNumberSeconds}
				unit="s"
				decimals={0}
				least={0}
				most={2000}
				optional
				onSet={(value: number | null) => set({ fallingNumberSeconds: value })}
			/>
			<NumberField
				label="Wholegrain"
				value={properties.wholegrainPercent}
				unit="%"
				least={0}
				most={100}
				optional
				onSet={(value: number | null) => set({ wholegrainPercent: value })}
			/>
			<label class="flex items-center justify-between gap-3"
				>Milled on
				<select
					name="milling"
					class="field"
					value={properties.milling ?? ''}
					onchange={(event) =>
						set({ milling: (event.currentTarget.value || null) as Milling | null })}
				>
					<option value="">not known</option>
					{#each MILLINGS as milling (milling)}<option value={milling}>{milling}</option>{/each}
				</select></label
			>
		</div>
		<button class="action-lesser mt-2">Write the delivery down</button>
		{#if sending.message}<p role="alert" class="mt-1 font-bold">{sending.message}</p>{/if}
	</form>
</section>

<style>
	.fields {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(min(280px, 100%), 1fr));
		gap: 4px 28px;
	}
	th,
	td {
		text-align: left;
		padding: 4px 8px 4px 0;
		border-bottom: 1px solid var(--line);
		font-weight: 400;
	}
	.right {
		text-align: right;
		white-space: nowrap;
	}
</style>
