<script lang="ts">
	import { colourOf, RAMP_ENDS } from './ramp.ts';

	interface Props {
		format: (celsius: number) => string;
	}
	let { format }: Props = $props();

	const STEPS = 24;
	const celsius = Array.from(
		{ length: STEPS + 1 },
		(_, index) => RAMP_ENDS.cold + ((RAMP_ENDS.ember - RAMP_ENDS.cold) * index) / STEPS
	);
	const id = $props.id();
</script>

<span class="inline-flex items-center gap-2 whitespace-nowrap">
	{format(RAMP_ENDS.cold)}
	<svg width="140" height="14" aria-hidden="true">
		<defs>
			<linearGradient id="ramp-{id}">
				{#each celsius as degrees, index (index)}
					<stop offset={index / STEPS} stop-color={colourOf(degrees)} />
				{/each}
			</linearGradient>
		</defs>
		<rect x="0.5" y="0.5" width="139" height="13" fill="url(#ramp-{id})" stroke="var(--ink)" />
	</svg>
	{format(RAMP_ENDS.ember)}
</span>
