<script lang="ts">
	import FormulaRoom from '$lib/features/formulas/FormulaRoom.svelte';
	import type { PageProps } from './$types';

	let { data }: PageProps = $props();
</script>

{#key data.formula.id + data.revision}
	<FormulaRoom view={data} />
{/key}
