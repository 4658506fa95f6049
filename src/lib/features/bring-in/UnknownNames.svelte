<script lang="ts">
	import type { OurBook, OurMaterial } from '../../contracts/bring-in-views.ts';
	import { INGREDIENT_KINDS, type IngredientKind } from '../../core/formula/index.ts';
	import type { BringInPlan, UnknownName } from '../../formats/book/brought.ts';
	import ChoiceField from '../../fields/ChoiceField.svelte';
	import { INGREDIENT_KIND_TEXT } from '../../wording/kind-text.ts';
	import type { BringInModel } from './bring-in-model.svelte.ts';

	interface Props {
		plan: BringInPlan;
		model: BringInModel;
		ours: OurBook;
	}
	let { plan, model, ours }: Props = $props();

	const NEW = 'new ';
	const valueOfOurs = ({ is, id }: OurMaterial) => `${is} ${id}`;
	const options = $derived([
		...[
			...ours.ids.ingredients.map(({ id, name }) => ({
				value: valueOfOurs({ is: 'ingredient', id }),
				label: name
			})),
			...ours.ids.preparations.map(({ id, name }) => ({
				value: valueOfOurs({ is: 'preparation', id }),
				label: `${name} (prepared)`
			}))
		].sort((a, b) => a.label.localeCompare(b.label, 'en')),
		...INGREDIENT_KINDS.map((kind) => ({
			value: `${NEW}${kind}`,
			label: `New ingredient: ${INGREDIENT_KIND_TEXT[kind]}`
		}))
	]);
	/** What was asked about stays where it is once it was answered, so that it can be answered otherwise. */
	const asked = $derived.by(() => {
		const answered = [...model.names.keys()]
			.filter((key) => plan.unknown.every((one) => one.key !== key))
			.map((key): UnknownName => ({ key, name: model.writtenAs(key), usedIn: '' }));
		return [...plan.unknown, ...answered].sort((a, b) => a.name.localeCompare(b.name, 'en'));
	});
	function valueOf(key: string): string {
		const choice = model.names.get(key);
		if (!choice) return '';
		return 'ours' in choice ? valueOfOurs(choice.ours) : `${NEW}${choice.asNew}`;
	}
	function oursOf(value: string): OurMaterial {
		const [is = '', id = ''] = value.split(' ');
		return { is: is === 'preparation' ? 'preparation' : 'ingredient', id };
	}
	function decide(one: UnknownName, value: string) {
		const choice =
			value === ''
				? null
				: value.startsWith(NEW)
					? { asNew: value.slice(NEW.length) as IngredientKind }
					: { ours: oursOf(value) };
		void model.decide(one, choice);
	}
</script>

<section aria-labelledby="names">
	<h2 id="names">Names that are not in the book</h2>
	<p class="text-ink-2">
		Say which of ours each is, or what kind of new ingredient. It is remembered for the next file.
	</p>
	<ul class="mt-2">
		{#each asked as one (one.key)}
			<li class="border-b border-line py-2" data-unknown={one.name}>
				<ChoiceField
					label={one.name}
					name="What {one.name} is"
					{options}
					value={valueOf(one.key)}
					onSet={(value: string) => decide(one, value)}
				/>
				{#if one.usedIn}<p class="text-note text-ink-2">in {one.usedIn}</p>{/if}
			</li>
		{/each}
	</ul>
</section>
