<script lang="ts">
	import YouRoom from '$lib/features/doors/YouRoom.svelte';
	import type { PageProps } from './$types';

	let { data, form }: PageProps = $props();
</script>

<YouRoom own={data.own} told={form ?? null} />
