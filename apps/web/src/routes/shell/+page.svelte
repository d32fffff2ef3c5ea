<script lang="ts">
  import { text } from '$lib/texts/en.ts';
</script>

<main><a href="/jobs">{text.nav.jobs}</a></main>
