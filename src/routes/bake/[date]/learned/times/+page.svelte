<script lang="ts">
	import TimesRoom from '$lib/features/learned/TimesRoom.svelte';
	import type { PageProps } from './$types';

	let { data }: PageProps = $props();
</script>

<TimesRoom view={data} />
