<script lang="ts">
	import type { MixWaterView, WaterView } from '../../contracts/water-views.ts';

	interface Props {
		mix: MixWaterView;
		mixers: WaterView['mixers'];
		title: string;
		mixerId: string | null;
		program: { slowMinutes: number; fastMinutes: number } | null;
	}
	let { mix, mixers, title, mixerId = $bindable(), program = $bindable() }: Props = $props();
	const usual = $derived(mix.program);
	const MOST_MINUTES = 120;

	function change(speed: 'slowMinutes' | 'fastMinutes', text: string) {
		if (!usual) return;
		const minutes = Number(text.replace(',', '.'));
		if (!Number.isFinite(minutes) || minutes < 0 || minutes > MOST_MINUTES) return;
		const next = { ...(program ?? usual), [speed]: minutes };
		const same = next.slowMinutes === usual.slowMinutes && next.fastMinutes === usual.fastMinutes;
		program = same ? null : next;
	}
</script>

{#if usual || mixers.length > 1 || !mix.mixer}
	<details>
		<summary class="min-h-11 cursor-pointer">Mixed otherwise than the formula says</summary>
		<div class="mt-1 flex flex-wrap items-end gap-4">
			{#if mixers.length > 1 || !mix.mixer}
				<label>
					<span class="block">on</span>
					<select
						name="{title}, mixed on"
						class="field"
						bind:value={mixerId}
						aria-label="{title}, mixed on"
					>
						<option value={null}>{mix.mixer?.name ?? 'by hand'}</option>
						{#each mixers.filter((mixer) => mixer.id !== mix.mixer?.id) as mixer (mixer.id)}
							<option value={mixer.id}>{mixer.name}</option>
						{/each}
					</select>
				</label>
			{/if}
			{#if usual}
				{#each [['slowMinutes', 'slow'], ['fastMinutes', 'fast']] as const as [speed, name] (speed)}
					<label>
						<span class="block">{name}, minutes</span>
						<input
							name="{title}, minutes on {name}"
							class="field w-24 text-right"
							type="text"
							inputmode="decimal"
							aria-label="{title}, minutes on {name}"
							value={(program ?? usual)[speed]}
							onchange={(event) => change(speed, event.currentTarget.value)}
						/>
					</label>
				{/each}
			{/if}
		</div>
	</details>
{/if}
