/** Which rows of a long list stand in the page: those in sight and a few around them. */
import {
  defaultRangeExtractor,
  elementScroll,
  observeElementOffset,
  observeElementRect,
  observeWindowOffset,
  observeWindowRect,
  Virtualizer,
  windowScroll,
  type VirtualItem,
} from '@tanstack/virtual-core';
import { untrack } from 'svelte';
import type { Attachment } from 'svelte/attachments';

/** Lists up to here are written whole: the browser's own search finds everything in them. */
export const MOST_WHOLE = 150;
const AROUND = 12;

export interface WindowedOptions {
  readonly count: () => number;
  /** As high as most rows are, px. */
  readonly row_px: number;
}

export class Windowed {
  readonly #options: WindowedOptions;
  #items = $state.raw<readonly VirtualItem[]>([]);
  #total = $state(0);
  #start = $state(0);
  #virtual: Virtualizer<Element, Element> | Virtualizer<Window, Element> | undefined;
  /** The row that holds the focus stays in the page wherever one scrolls. */
  #focused = -1;
  /** On paper everything stands. */
  #printing = $state(false);

  constructor(options: WindowedOptions) {
    this.#options = options;
  }

  isWhole = $derived.by(() => this.#printing || this.#options.count() <= MOST_WHOLE);
  indices = $derived.by(() => this.#items.map(({ index }) => index).filter((i) => i < this.#options.count()));

  /** Room for the rows that are left out before the first, after the last, and between row `index` and the one before it. */
  before(index: number): number {
    const at = this.#items.findIndex((item) => item.index === index);
    const [item, last] = [this.#items[at], this.#items[at - 1]];
    if (!item) return 0;
    return Math.max(0, item.start - (last?.end ?? this.#start));
  }
  after = $derived.by(() =>
    Math.max(0, this.#start + this.#total - (this.#items.at(-1)?.end ?? this.#start)),
  );

  /** Follows what scrolls: the nearest box round the list that does, or the page. */
  readonly follow: Attachment<HTMLElement> = (list) => {
    const box = scrollsIn(list);
    const start = () => {
      const { top } = list.getBoundingClientRect();
      return box ? top - box.getBoundingClientRect().top + box.scrollTop : top + window.scrollY;
    };
    const shared = {
      estimateSize: () => this.#options.row_px,
      overscan: AROUND,
      rangeExtractor: (range: Parameters<typeof defaultRangeExtractor>[0]) => {
        const seen = defaultRangeExtractor(range);
        const extra = this.#focused >= 0 && this.#focused < range.count ? [this.#focused] : [];
        return [...new Set([...seen, ...extra])].sort((a, b) => a - b);
      },
      onChange: () => this.#take(),
    };
    const set = () => {
      this.#start = start();
      const all = { ...shared, count: this.#options.count(), scrollMargin: this.#start };
      if (this.#virtual) this.#virtual.setOptions({ ...this.#virtual.options, ...all } as never);
      else
        this.#virtual = box
          ? new Virtualizer<Element, Element>({
              ...all,
              getScrollElement: () => box,
              observeElementRect,
              observeElementOffset,
              scrollToFn: elementScroll,
            })
          : new Virtualizer<Window, Element>({
              ...all,
              getScrollElement: () => window,
              observeElementRect: observeWindowRect,
              observeElementOffset: observeWindowOffset,
              scrollToFn: windowScroll,
              initialOffset: () => window.scrollY,
            });
      this.#virtual._willUpdate();
      this.#take();
    };
    // What the list holds is followed below; the list itself is taken up once.
    untrack(set);
    const gone = this.#virtual?._didMount();
    const focused = ({ target, type }: FocusEvent) => {
      const row = target instanceof Element ? target.closest('[data-index]') : null;
      this.#focused = type === 'focusin' && row ? Number(row.getAttribute('data-index')) : -1;
    };
    list.addEventListener('focusin', focused);
    list.addEventListener('focusout', focused);
    const paper = window.matchMedia('print');
    const print = () => (this.#printing = paper.matches);
    const printAll = () => (this.#printing = true);
    const printed = () => (this.#printing = false);
    paper.addEventListener('change', print);
    window.addEventListener('beforeprint', printAll);
    window.addEventListener('afterprint', printed);
    $effect(() => {
      void this.#options.count();
      set();
    });
    return () => {
      gone?.();
      this.#virtual = undefined;
      list.removeEventListener('focusin', focused);
      list.removeEventListener('focusout', focused);
      paper.removeEventListener('change', print);
      window.removeEventListener('beforeprint', printAll);
      window.removeEventListener('afterprint', printed);
    };
  };

  /** Put on every row that stands: its height is what it is. */
  readonly measured: Attachment<HTMLElement> = (row) => {
    this.#virtual?.measureElement(row);
  };

  #take(): void {
    if (!this.#virtual) return;
    this.#items = this.#virtual.getVirtualItems();
    this.#total = this.#virtual.getTotalSize();
  }
}

/** The nearest box of limited height that scrolls; `null` where it is the page. One that scrolls sideways only has no limit. */
function scrollsIn(node: HTMLElement): Element | null {
  for (let box = node.parentElement; box && box !== document.body; box = box.parentElement) {
    const { overflowY, maxHeight } = getComputedStyle(box);
    if (maxHeight !== 'none' && (overflowY === 'auto' || overflowY === 'scroll')) return box;
  }
  return null;
}
