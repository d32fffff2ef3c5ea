<script module lang="ts">
  import type { CalendarDesk } from './calendar-desk.svelte.ts';

  export interface PrintedPlanProps {
    desk: CalendarDesk;
  }
</script>

<script lang="ts">
  import { longDayName } from '$lib/ui/time.ts';
  import { calendarWords as t } from '$words/calendar.ts';
  import { taskTitle } from '$words/task-title.ts';
  import { dayAndTime, visitsOf } from '@hulvek/core';

  let { desk }: PrintedPlanProps = $props();
  const zone = $derived(desk.calendar?.zone ?? 'UTC');
  /** Written only for paper, where bars and their rows run off the edge. */
  const days = $derived.by(() => {
    const byDay = new Map<string, ReturnType<typeof visitsOf>>();
    for (const visit of visitsOf(desk.shown?.result.tasks ?? [], zone)) {
      const { day } = dayAndTime(zone, visit.from);
      byDay.set(day, [...(byDay.get(day) ?? []), visit]);
    }
    return [...byDay].sort(([a], [b]) => a.localeCompare(b));
  });
  const time = (at: string) => dayAndTime(zone, at).time;
</script>

<div class="printed">
  {#each days as [day, visits] (day)}
    <h2>{longDayName(day)}</h2>
    <table>
      <thead>
        <tr>
          {#each [t.printed.time, t.printed.where, t.printed.what, t.printed.who] as head (head)}
            <th scope="col">{head}</th>
          {/each}
        </tr>
      </thead>
      <tbody>
        {#each visits as visit (visit.tasks[0]?.id)}
          <tr>
            <td>{time(visit.from)}–{time(visit.to)}</td>
            <td>{desk.markOf(visit.opening)}</td>
            <td
              >{visit.tasks
                .map(({ step, isLook }) => (isLook ? `${t.looks}: ${taskTitle(step)}` : taskTitle(step)))
                .join(', ')}</td
            >
            <td>{visit.people.map(desk.nameOf).join(', ')}</td>
          </tr>
        {/each}
      </tbody>
    </table>
  {/each}
</div>

<style>
  .printed {
    display: none;
  }
  @media print {
    .printed {
      display: block;
    }
    h2 {
      break-after: avoid;
    }
    tr {
      break-inside: avoid;
    }
    td {
      vertical-align: top;
    }
  }
</style>
