<script lang="ts">
	import DoughsRoom from '$lib/features/doughs/DoughsRoom.svelte';
	import type { PageProps } from './$types';

	let { data }: PageProps = $props();
</script>

<DoughsRoom view={data} />
