<script module lang="ts">
  import type { Evening } from '@hulvek/core';

  export interface EveningMarkProps {
    evening: Evening;
  }
</script>

<script lang="ts">
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import type { Verdict } from '@hulvek/core';

  let { evening }: EveningMarkProps = $props();
  const MARK: Readonly<Record<Evening['state'], Verdict>> = {
    drains: 'holds',
    'wets-framing': 'fails',
    'wets-room': 'fails',
    'not-checkable': 'not-checkable',
  };
</script>

<VerdictMark verdict={evening.noStop ? 'fails' : MARK[evening.state]} />
