<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import type { AcceptedPlanView, RunSheetView } from '../../contracts/views.ts';
	import { packingLists, piecesOver } from '../../core/planning/index.ts';
	import { agreedText } from '../../wording/agreed-text.ts';
	import { SHEET_TEXT, STATION_CAUTION } from '../../wording/sheet-text.ts';
	import { clockText, dayText } from '../../wording/time-text.ts';
	import { deliverySentence } from '../../wording/delivery-text.ts';
	import SheetFrame from './SheetFrame.svelte';

	interface Props {
		view: RunSheetView;
		accepted: AcceptedPlanView;
	}
	let { view, accepted }: Props = $props();
	const { bakery } = useRoom();
	const zone = bakery.timeZone;

	const { input, plan } = $derived(accepted.document);
	const lists = $derived(packingLists(plan, input));
	const over = $derived(piecesOver(input).filter(({ made, ordered }) => made !== ordered));
	const customersOf = (dropId: string) =>
		view.customers
			.filter((customer) => customer.dropId === dropId)
			.map(({ name, note }) => (note === '' ? name : `${name} (${note})`))
			.join(', ');
	const sum = (lines: readonly { readonly pieces: number }[]) =>
		lines.reduce((all, { pieces }) => all + pieces, 0);
</script>

<SheetFrame
	sheet="packing"
	title={SHEET_TEXT.packing}
	date={view.date}
	{accepted}
	caution={STATION_CAUTION.packing}
>
	{#if input.orders.length === 0}
		<p>What each drop gets was not kept with this plan. Accept it again to have it here.</p>
	{/if}
	{#each lists as { drop, lines } (drop.dropId)}
		<section data-drop={drop.name}>
			<h2>
				<span class="due">{clockText(drop.dueMs, zone)}</span>
				{drop.name}
			</h2>
			<p>
				{dayText(drop.dueMs, zone)}.
				{agreedText(drop, input, zone)}
				{#if drop.readyByMs < drop.dueMs}
					Picking begins at {clockText(drop.readyByMs, zone)} at the latest.
				{/if}
				{#if drop.readyMs !== null}All of it is ready at {clockText(
						drop.readyMs,
						zone
					)}{drop.readyMs > drop.readyByMs ? ': too late, settle it by hand' : ''}.{:else}Not all of
					it is in this plan.{/if}
				{deliverySentence(drop.dropId, plan, input, zone)}
			</p>
			{#if customersOf(drop.dropId) !== ''}<p data-customers>
					For {customersOf(drop.dropId)}.
				</p>{/if}
			<table>
				<thead>
					<tr>
						<th class="box-cell"><span class="sr-only">Done</span></th>
						<th class="count">Pieces</th>
						<th>Product</th>
						<th class="ready">Ready</th>
						<th class="short">Short</th>
					</tr>
				</thead>
				<tbody>
					{#each lines as line (line.productId)}
						<tr>
							<td class="box-cell"><span class="box" aria-hidden="true"></span></td>
							<td class="count"><b>{line.pieces}</b></td>
							<td class="name"><b>{line.name}</b></td>
							<td>{line.readyMs === null ? 'not in this plan' : clockText(line.readyMs, zone)}</td>
							<td class="short"><span class="line"></span></td>
						</tr>
					{/each}
				</tbody>
				<tfoot>
					<tr>
						<td></td>
						<td class="count"><b>{sum(lines)}</b></td>
						<td colspan="3">in all</td>
					</tr>
				</tfoot>
			</table>
		</section>
	{/each}
	{#if over.length > 0 && input.orders.length > 0}
		<section data-over>
			<h2>More or less than ordered</h2>
			<ul>
				{#each over as { productId, name, made, ordered } (productId)}
					<li>
						<b>{name}</b>: {made} made, {ordered} ordered, {made > ordered
							? `${made - ordered} over`
							: `${ordered - made} short`}
					</li>
				{/each}
			</ul>
		</section>
	{/if}
</SheetFrame>

<style>
	section {
		margin-top: 14px;
		break-inside: avoid;
	}
	h2 {
		font-size: 24px;
		font-weight: 800;
		border-bottom: 2px solid var(--ink);
	}
	.due {
		margin-right: 8px;
	}
	table {
		width: 100%;
		border-collapse: collapse;
	}
	th {
		text-align: left;
		font-weight: 600;
		color: var(--ink-2);
	}
	th,
	td {
		padding: 4px 8px 4px 0;
	}
	tbody td {
		border-bottom: 1px solid var(--line);
	}
	.count {
		width: 90px;
		padding-right: 20px;
		text-align: right;
	}
	tbody .count b {
		font-size: 24px;
		line-height: 1.1;
	}
	.name b {
		font-size: 19px;
	}
	.box-cell {
		width: 24px;
	}
	.box {
		display: block;
		width: 15px;
		height: 15px;
		border: 2px solid var(--ink);
	}
	.ready {
		width: 150px;
	}
	.short {
		width: 110px;
	}
	.line {
		display: block;
		height: 1em;
		border-bottom: 1px solid var(--ink);
	}
	@media print {
		h2 {
			font-size: 16pt;
		}
		tbody .count b {
			font-size: 18pt;
		}
		.name b {
			font-size: 14pt;
		}
		.box {
			width: 4mm;
			height: 4mm;
		}
	}
</style>
