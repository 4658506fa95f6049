<script lang="ts">
	import { SHEET_LIMITS } from '../../../contracts/sheet-limits.ts';
	import type { ProductDetailView } from '../../../contracts/book-views.ts';
	import { resolveFormula, type Material } from '../../../core/formula/index.ts';
	import {
		CUT_KINDS,
		densityOfWeighed,
		proofTooWarm,
		rolledInOf,
		thicknessOf,
		TRIM_GOES,
		USUAL_SHEET_GRAMS_PER_CUBIC_CM,
		weightAt,
		type CutKind,
		type SheetAsked,
		type SheetCut,
		type SheetOfProduct,
		type TrimGoes
	} from '../../../core/sheeting/index.ts';
	import { formatNumber } from '../../../core/units/index.ts';
	import NumberField from '../../../fields/NumberField.svelte';
	import SwitchField from '../../../fields/SwitchField.svelte';
	import SheetToRoll from '../../../sheets/SheetToRoll.svelte';
	import { CUT_TEXT, lengthText, TRIM_TEXT } from '../../../wording/sheeting-text.ts';
	import CutFields from './CutFields.svelte';
	import type { EditedProduct } from './edited-product.ts';
	import { beginCut, beginSheet } from './new-sheet.ts';
	import { pantryOf } from './product-scale.ts';

	interface Props {
		view: ProductDetailView;
		edited: EditedProduct;
		/** How many are laid out. */
		pieces: number;
	}
	let { view, edited, pieces }: Props = $props();
	const { value } = $derived(edited);
	const sheet = $derived(value.sheet);
	const scaledGrams = $derived(value.doughs.reduce((total, dough) => total + dough.scaledGrams, 0));
	const thicknessMm = $derived(
		sheet && scaledGrams > 0 ? thicknessOf({ grams: scaledGrams }, sheet) : 0
	);
	const pantry = $derived(pantryOf(view));
	/** A weighed piece: how thick the rollers were set, and what it weighed. */
	let weighed: { mm: number | null; grams: number | null } = $state({ mm: null, grams: null });

	const nameOf = (material: Material) =>
		(material.kind === 'ingredient'
			? pantry.ingredients.get(material.ingredientId)?.name
			: pantry.preparations.get(material.preparationId)?.name) ?? '';
	const asked = $derived.by((): SheetAsked | null => {
		const [first] = value.doughs;
		if (!sheet || !first || scaledGrams <= 0) return null;
		const formula = view.formulas.find(({ id }) => id === first.formulaId);
		const resolved = formula ? resolveFormula(formula, pantry) : null;
		const rolledIn = resolved?.ok ? rolledInOf(resolved.value.final) : null;
		return {
			name: value.name,
			pieces,
			sheet,
			doughs: value.doughs.map((dough) => ({
				name: view.formulas.find(({ id }) => id === dough.formulaId)?.name ?? '',
				scaled: { grams: dough.scaledGrams }
			})),
			fillings: value.extras
				.filter(({ use }) => use === 'filling')
				.map(({ material, grams, forPieces }) => ({
					name: nameOf(material),
					scaled: { grams: grams / forPieces }
				})),
			turns: view.turns[first.formulaId] ?? [],
			rolledIn,
			proofTooWarmCelsius: proofTooWarm(value.steps, rolledIn?.rolling ?? null)
		};
	});
	const room = $derived(view.rollsOut);
	const isBeyondRoom = $derived(
		sheet !== null &&
			room !== null &&
			(sheet.mostWidthCm > room.widthCm || sheet.mostLengthCm > room.lengthCm)
	);

	const isBeyondRollers = $derived(
		room?.rollersMm
			? thicknessMm > 0 &&
					(thicknessMm < room.rollersMm.thinnest || thicknessMm > room.rollersMm.thickest)
			: thicknessMm > SHEET_LIMITS.thicknessMm.most
	);

	function set(change: Partial<SheetOfProduct>) {
		if (sheet) edited.set({ sheet: { ...sheet, ...change } });
	}
	/** The piece is rolled to a thickness: its doughs weigh more or less, each in its share. */
	function setThickness(mm: number | null) {
		if (!sheet || mm === null || scaledGrams <= 0) return;
		scaleTo(weightAt(mm, sheet).grams);
	}
	function scaleTo(grams: number, change: Partial<SheetOfProduct> = {}) {
		if (!sheet) return;
		// A gram and a tenth is as fine as a piece is weighed.
		const factor = grams / scaledGrams;
		edited.set({
			sheet: { ...sheet, ...change },
			doughs: value.doughs.map((dough) => ({
				...dough,
				scaledGrams: Math.round(dough.scaledGrams * factor * 10) / 10
			}))
		});
	}
	function takeWeighed() {
		const { mm, grams } = weighed;
		if (!sheet || mm === null || grams === null) return;
		const found = densityOfWeighed({ grams }, mm, sheet.cut);
		const { least, most } = SHEET_LIMITS.gramsPerCubicCm;
		if (found < least || found > most) return;
		scaleTo(grams, { gramsPerCubicCm: found });
		weighed = { mm: null, grams: null };
	}
	const weighedDensity = $derived(
		sheet && weighed.mm !== null && weighed.grams !== null
			? densityOfWeighed({ grams: weighed.grams }, weighed.mm, sheet.cut)
			: null
	);
	const isWeighedOdd = $derived(
		weighedDensity !== null &&
			(weighedDensity < SHEET_LIMITS.gramsPerCubicCm.least ||
				weighedDensity > SHEET_LIMITS.gramsPerCubicCm.most)
	);
</script>

<section
	class="mt-3 border border-line bg-sheet p-4"
	aria-labelledby="rolled-out"
	data-product-sheet
>
	<div class="mb-2 flex flex-wrap items-center justify-between gap-3">
		<h2 id="rolled-out">Rolled out and cut</h2>
		{#if sheet}
			<button class="action-small" onclick={() => edited.set({ sheet: null })}
				>Divide it by weight instead</button
			>
		{/if}
	</div>
	{#if !sheet}
		<p>
			It is divided by weight.
			<button class="action-lesser ml-2" onclick={() => edited.set({ sheet: beginSheet(view) })}
				>Cut it from a sheet</button
			>
		</p>
	{:else}
		<div class="columns">
			<div class="max-w-md">
				<label class="flex items-center justify-between gap-3">
					Cut
					<select
						name="cut"
						class="field"
						value={sheet.cut.kind}
						onchange={(event) => {
							const kind = event.currentTarget.value as CutKind;
							set({
								cut: beginCut(kind),
								...(kind === 'slices' ? { filledFirst: true } : {})
							});
						}}
					>
						{#each CUT_KINDS as kind (kind)}<option value={kind}>{CUT_TEXT[kind]}</option>{/each}
					</select>
				</label>
				<CutFields cut={sheet.cut} onSet={(cut: SheetCut) => set({ cut })} />
				<NumberField
					label="Thickness"
					value={thicknessMm || null}
					unit="mm"
					least={SHEET_LIMITS.thicknessMm.least}
					most={SHEET_LIMITS.thicknessMm.most}
					onSet={setThickness}
				/>
				<p class="text-note text-ink-2" data-density>
					{lengthText(scaledGrams)} g a piece: {sheet.gramsPerCubicCm === null
						? `${USUAL_SHEET_GRAMS_PER_CUBIC_CM} g to a cubic centimetre, assumed`
						: `${formatNumber(sheet.gramsPerCubicCm, 2)} g to a cubic centimetre, by a piece that was weighed`}.
				</p>
				{#if isBeyondRollers}
					<p class="font-bold" data-beyond-rollers>
						{room?.rollersMm
							? `${room.on} rolls ${lengthText(room.rollersMm.thinnest)} to ${lengthText(room.rollersMm.thickest)} mm.`
							: 'No sheet is that thick.'}
						Type a thickness, or look at the sides.
					</p>
				{/if}
				<NumberField
					label="Cut off all around"
					value={sheet.edgeCm}
					unit="cm"
					least={SHEET_LIMITS.edgeCm.least}
					most={SHEET_LIMITS.edgeCm.most}
					onSet={(edgeCm: number | null) => set({ edgeCm: edgeCm ?? sheet.edgeCm })}
				/>
				<NumberField
					label="A sheet no wider than"
					value={sheet.mostWidthCm}
					unit="cm"
					least={SHEET_LIMITS.mostWidthCm.least}
					most={SHEET_LIMITS.mostWidthCm.most}
					onSet={(cm: number | null) => set({ mostWidthCm: cm ?? sheet.mostWidthCm })}
				/>
				<NumberField
					label="and no longer than"
					value={sheet.mostLengthCm}
					unit="cm"
					least={SHEET_LIMITS.mostLengthCm.least}
					most={SHEET_LIMITS.mostLengthCm.most}
					onSet={(cm: number | null) => set({ mostLengthCm: cm ?? sheet.mostLengthCm })}
				/>
				{#if room && isBeyondRoom}
					<p class="font-bold" data-beyond-room>
						{room.on} takes {lengthText(room.widthCm)} × {lengthText(room.lengthCm)} cm.
					</p>
				{/if}
				<label class="flex items-center justify-between gap-3">
					What is cut off
					<select
						name="trim"
						class="field"
						value={sheet.trimGoes}
						onchange={(event) => set({ trimGoes: event.currentTarget.value as TrimGoes })}
					>
						{#each TRIM_GOES as goes (goes)}<option value={goes}>{TRIM_TEXT[goes]}</option>{/each}
					</select>
				</label>
				<SwitchField
					label="The filling is spread before it is cut"
					checked={sheet.filledFirst}
					onSet={(filledFirst: boolean) => set({ filledFirst })}
				/>
				<h3 class="mt-3">Weigh one</h3>
				<NumberField
					label="A piece rolled to"
					value={weighed.mm}
					unit="mm"
					least={SHEET_LIMITS.thicknessMm.least}
					most={SHEET_LIMITS.thicknessMm.most}
					optional
					onSet={(mm: number | null) => (weighed = { ...weighed, mm })}
				/>
				<NumberField
					label="weighs"
					value={weighed.grams}
					unit="g"
					least={1}
					most={100000}
					optional
					onSet={(grams: number | null) => (weighed = { ...weighed, grams })}
				/>
				{#if isWeighedOdd}
					<p role="alert" class="font-bold">
						That would be {formatNumber(weighedDensity ?? 0, 2)} g to a cubic centimetre, which no dough
						is. Look at the thickness and the sides.
					</p>
				{/if}
				<button
					class="action-small mt-1"
					disabled={weighedDensity === null || isWeighedOdd}
					onclick={takeWeighed}>Go by that piece</button
				>
			</div>
			<div class="min-w-0">
				{#if asked}
					<SheetToRoll {asked} />
				{:else}
					<p>Choose its dough, and the sheet is laid out.</p>
				{/if}
			</div>
		</div>
	{/if}
</section>

<style>
	.columns {
		display: grid;
		grid-template-columns: minmax(300px, 1fr) minmax(0, 2fr);
		gap: 12px 28px;
		align-items: start;
	}
	@media (max-width: 900px) {
		.columns {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
