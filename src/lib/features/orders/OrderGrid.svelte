<script lang="ts">
	import { tick, untrack } from 'svelte';
	import { SvelteSet } from 'svelte/reactivity';
	import Choice from '../../ui/Choice.svelte';
	import { useRoom } from '../../client/room-context.ts';
	import type { OrderProductView } from '../../contracts/views.ts';
	import { sparePieces } from '../../core/production/index.ts';
	import { formatBulk, formatMass, formatNumber } from '../../core/units/index.ts';
	import { ChosenBlock } from './chosen-block.svelte.ts';
	import { stepFrom, type Spot } from './grid-block.ts';
	import type { GridDrop } from './grid-drop.ts';
	import type { OrdersModel } from './orders-model.svelte.ts';

	interface Props {
		products: readonly OrderProductView[];
		drops: readonly GridDrop[];
		model: OrdersModel;
		/** What the numbers are, for who cannot see the table. */
		caption: string;
		/** Whether a number can be left to the standing order. */
		canFollow: boolean;
	}
	let { products, drops, model, caption, canFollow }: Props = $props();
	const { bakery } = useRoom();
	let table: HTMLTableElement;

	const piecesOf = (product: OrderProductView) =>
		drops.reduce((total, drop) => total + model.pieces(product.id, drop.id), 0);
	/** Rows that stay while the page is open, so that none goes from under a hand when its last number is cleared. */
	const kept = new SvelteSet<string>();
	const ordered = () => products.filter((product) => piecesOf(product) > 0);
	untrack(() => {
		const begun = ordered();
		// On a date without orders every product is there to be typed into.
		for (const { id } of begun.length > 0 ? begun : products) kept.add(id);
	});
	const waiting = $derived(new Set(model.unsaved.map(({ productId }) => productId)));
	const isShown = (product: OrderProductView) =>
		kept.has(product.id) || piecesOf(product) > 0 || waiting.has(product.id);
	const rows = $derived(products.filter(isShown));
	const folded = $derived(products.filter((product) => !isShown(product)));

	function unfold(productId: string) {
		kept.add(productId);
		void tick().then(() => {
			const row = rows.findIndex((product) => product.id === productId);
			inputAt({ row, column: 0 })?.focus();
		});
	}
	function foldAway() {
		kept.clear();
		for (const { id } of ordered()) kept.add(id);
	}
	const dropTotal = (drop: GridDrop) =>
		products.reduce(
			(total, product) => {
				const count = model.pieces(product.id, drop.id);
				return { pieces: total.pieces + count, grams: total.grams + count * product.scaledGrams };
			},
			{ pieces: 0, grams: 0 }
		);
	const all = $derived(
		drops
			.map(dropTotal)
			.reduce(
				(total, row) => ({ pieces: total.pieces + row.pieces, grams: total.grams + row.grams }),
				{ pieces: 0, grams: 0 }
			)
	);
	const bulk = (grams: number) => formatBulk({ grams }, bakery.units);

	const chosen = untrack(() => new ChosenBlock(model, () => ({ rows, columns: drops })));

	function inputAt({ row, column }: Spot): HTMLInputElement | null {
		return table.querySelector(`input[data-row="${row}"][data-column="${column}"]`);
	}
	function paste(event: ClipboardEvent, spot: Spot) {
		const text = event.clipboardData?.getData('text/plain') ?? '';
		if (chosen.paste(text, spot)) event.preventDefault();
	}
	function copy(event: ClipboardEvent) {
		const text = chosen.copied;
		if (text === null) return;
		event.clipboardData?.setData('text/plain', text);
		event.preventDefault();
	}

	type Typing = KeyboardEvent & { currentTarget: HTMLInputElement };

	/** Arrows and Enter move over the grid; left and right only from the edge of what is typed. */
	function move(event: Typing, spot: Spot) {
		if (chosen.takeKey(event, spot, event.currentTarget.value)) {
			event.preventDefault();
			return;
		}
		const input = event.currentTarget;
		if (event.key === 'Escape') {
			const number = chosen.at(spot);
			if (number) model.discard(number.productId, number.dropId);
			return;
		}
		const to = stepFrom(spot, event.key);
		if (!to || event.ctrlKey || event.altKey || event.metaKey) return;
		const { selectionStart: start, selectionEnd: selected, value } = input;
		const whole = start === 0 && selected === value.length;
		if (event.key === 'ArrowLeft' && !whole && start !== 0) return;
		if (event.key === 'ArrowRight' && !whole && selected !== value.length) return;
		const next = inputAt(to);
		event.preventDefault();
		if (next) {
			next.focus();
			next.select();
		} else input.blur();
	}

	function press(event: PointerEvent, spot: Spot) {
		if (!event.shiftKey || !chosen.isBegun) {
			chosen.choose(spot);
			return;
		}
		event.preventDefault();
		chosen.reach(spot);
	}
</script>

<div class="overflow-x-auto px-5">
	<table bind:this={table} class="orders" oncopy={copy}>
		<caption class="sr-only">{caption}</caption>
		<thead>
			<tr>
				<th scope="col">Product</th>
				{#each drops as drop (drop.id)}
					<th scope="col" class="number">
						{drop.name}<span class="block text-lead tabular-nums">{drop.dueTime}</span>
						{#each drop.notes as note (note.text)}
							<span
								class="block text-note {note.isStrong ? 'font-bold' : 'font-normal text-ink-2'}"
								data-note>{note.text}</span
							>
						{/each}
					</th>
				{/each}
				<th scope="col" class="number">Pieces</th>
				<th scope="col" class="number">Dough in pieces</th>
			</tr>
		</thead>
		<tbody>
			{#each rows as product, row (product.id)}
				{@const pieces = piecesOf(product)}
				{@const spare = sparePieces(pieces, product.spares)}
				<tr>
					<th scope="row">
						{product.name}
						<span class="block text-note font-normal text-ink-2">
							{formatMass({ grams: product.scaledGrams }, 0, bakery.units)} · {product.doughName}
						</span>
					</th>
					{#each drops as drop, column (drop.id)}
						{@const cell = model.cell(product.id, drop.id)}
						{@const label = `${product.name}, ${drop.name}, pieces`}
						<td class="number" class:chosen={chosen.holds({ row, column })}>
							<input
								name={label}
								class="field cell"
								class:follows={canFollow && !cell.typed && cell.standing > 0}
								type="text"
								inputmode="numeric"
								autocomplete="off"
								aria-label={label}
								aria-invalid={cell.state !== 'saved' && cell.state !== 'saving'}
								data-row={row}
								data-column={column}
								data-state={cell.state}
								placeholder="0"
								value={cell.text}
								oninput={(event) => model.type(product.id, drop.id, event.currentTarget.value)}
								onchange={() => model.commit(product.id, drop.id)}
								onfocus={(event) => {
									chosen.choose({ row, column });
									event.currentTarget.select();
								}}
								onpointerdown={(event) => press(event, { row, column })}
								onpointerenter={(event) => {
									if (event.buttons === 1) chosen.reach({ row, column });
								}}
								onpaste={(event) => paste(event, { row, column })}
								onkeydown={(event) => move(event, { row, column })}
							/>
							{#if canFollow && cell.typed && cell.standing > 0 && cell.saved !== cell.standing}
								<span class="block text-note text-ink-2" data-standing-of={label}
									>standing {cell.standing}</span
								>
							{/if}
						</td>
					{/each}
					<td class="number" data-total-of={product.name}
						><b>{formatNumber(pieces, 0)}</b>{#if spare > 0}<span class="block text-note text-ink-2"
								>+{spare} spare</span
							>{/if}</td
					>
					<td class="number">{bulk(pieces * product.scaledGrams)}</td>
				</tr>
			{/each}
		</tbody>
		<tfoot>
			<tr>
				<th scope="row">All</th>
				{#each drops as drop (drop.id)}
					{@const total = dropTotal(drop)}
					<td class="number">
						<b>{formatNumber(total.pieces, 0)}</b>
						<span class="block text-note text-ink-2">{bulk(total.grams)}</span>
					</td>
				{/each}
				<td class="number"><b data-total-pieces>{formatNumber(all.pieces, 0)}</b></td>
				<td class="number"><b data-total-dough>{bulk(all.grams)}</b></td>
			</tr>
		</tfoot>
	</table>
</div>

<div class="mx-5 mt-3 flex min-h-11 flex-wrap items-center gap-3" data-block>
	{#if chosen.isMany}
		<b>{chosen.numbers.length} numbers chosen</b>
		<button type="button" class="action-lesser" onclick={() => chosen.fill('row')}
			>Fill right</button
		>
		<button type="button" class="action-lesser" onclick={() => chosen.fill('column')}
			>Fill down</button
		>
		<button type="button" class="action-lesser" onclick={() => chosen.putAll(0)}>Clear</button>
	{/if}
	{#if canFollow && chosen.isTyped}
		<button type="button" class="action-lesser" onclick={() => chosen.putAll(null)}
			>As the standing order</button
		>
	{/if}
	{#if chosen.problem}
		<p role="alert"><span class="act-now px-2 py-1">Check</span> {chosen.problem}</p>
	{:else if !chosen.isMany}
		<p class="text-note text-ink-2">
			Shift and arrows choose a block; Ctrl+Enter fills it, Delete clears it, and cells can be
			copied and pasted.
		</p>
	{/if}
</div>

<div class="mx-5 mt-4 flex flex-wrap items-end gap-x-6 gap-y-3" data-folded={folded.length}>
	{#if folded.length > 0}
		<div class="add">
			<p class="mb-1 font-bold">
				{folded.length === 1 ? 'One product has' : `${folded.length} products have`} no orders here
			</p>
			{#key folded.length}
				<Choice
					label="Order another product"
					placeholder="Order another product"
					options={folded.map(({ id, name, doughName }) => ({
						value: id,
						label: name,
						note: doughName
					}))}
					value=""
					onSet={unfold}
				/>
			{/key}
		</div>
		<button
			type="button"
			class="action-lesser"
			onclick={() => {
				for (const { id } of folded) kept.add(id);
			}}>Show all of them</button
		>
	{:else if rows.length > ordered().length && ordered().length > 0}
		<button type="button" class="action-lesser" onclick={foldAway}
			>Fold away the products without orders</button
		>
	{/if}
</div>

<style>
	.add {
		width: min(360px, 100%);
	}
	.orders {
		width: 100%;
		border-collapse: collapse;
		background: var(--sheet);
	}
	th,
	td {
		padding: 8px 12px;
		border-bottom: 1px solid var(--line);
		text-align: left;
		vertical-align: middle;
	}
	thead th {
		vertical-align: bottom;
		border-bottom: 2px solid var(--ink);
	}
	tfoot th,
	tfoot td {
		border-top: 2px solid var(--ink);
		border-bottom: 0;
	}
	.number {
		text-align: right;
		white-space: nowrap;
		font-size: 19px;
	}
	thead .number {
		font-size: 15px;
	}
	.cell {
		width: 88px;
		text-align: right;
		font-size: 19px;
		font-weight: 600;
	}
	/* What nobody typed for this date reads lighter. */
	.follows {
		font-weight: 400;
	}
	.chosen {
		background: var(--line);
	}
</style>
