<script lang="ts">
  import { editorInContext } from '$lib/job/editor-context.ts';

  let { data } = $props();
  const editor = editorInContext();
</script>

<data.view {editor} stage={data.stage} />
