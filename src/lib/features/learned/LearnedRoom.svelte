<script lang="ts">
	let { view }: { view: unknown } = $props();
</script>

<p>{JSON.stringify(view).length}</p>
