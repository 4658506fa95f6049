<script lang="ts">
	import RecipeRoom from '$lib/features/formulas/recipe/RecipeRoom.svelte';
	import type { PageProps } from './$types';

	let { data }: PageProps = $props();
</script>

{#key `${data.preparation?.id ?? 'new'} ${data.revision}`}
	<RecipeRoom view={data} />
{/key}
