// Pages of the last making that hold the same lines at the same places: they are taken over as they are, so that whatever
// is known of a page stays known.
import type { DivisionPage } from './divisionPage';
import type { Flow, FlowParagraph } from './flow';
import type { Give } from './gives';
import type { Region } from './regions';
import type { FilledRegion, Stretch } from './tracePages';

export interface KeptPage {
  readonly page: DivisionPage;
  readonly regions: readonly FilledRegion[];
  readonly flow: Flow;
}

export class KeptPages {
  /** Pages by the paragraph with which they begin. */
  private readonly byStart = new Map<FlowParagraph, KeptPage[]>();

  constructor(pages: readonly KeptPage[]) {
    pages.forEach((kept, index) => {
      const start = index === 0 ? undefined : startOf(kept.regions, kept.flow);
      if (start === undefined) return;
      const known = this.byStart.get(start);
      if (known === undefined) this.byStart.set(start, [kept]);
      else known.push(kept);
    });
  }

  /** The page with just these lines, if there was one; pages with notes are made anew. */
  take(regions: readonly FilledRegion[], flow: Flow, gives: readonly Give[]): DivisionPage | null {
    const start = startOf(regions, flow);
    const candidates = start === undefined ? undefined : this.byStart.get(start);
    const found = candidates?.find(
      (kept) =>
        sameGives(kept.page.gives, gives) &&
        kept.regions.length === regions.length &&
        regions.every((region, k) => sameRegion(region, flow, kept.regions[k], kept.flow)),
    );
    return found?.page ?? null;
  }
}

function startOf(regions: readonly FilledRegion[], flow: Flow): FlowParagraph | undefined {
  const [first] = regions[0].stretches;
  return first === undefined ? undefined : flow.items[first.item].source;
}

function sameRegion(a: FilledRegion, flowA: Flow, b: FilledRegion, flowB: Flow): boolean {
  return (
    a.noteFrom === a.noteTo &&
    b.noteFrom === b.noteTo &&
    a.floatFrom === a.floatTo &&
    b.floatFrom === b.floatTo &&
    sameRectangle(a.region, b.region) &&
    a.depth === b.depth &&
    a.stretches.length === b.stretches.length &&
    a.stretches.every((stretch, k) => sameStretch(stretch, flowA, b.stretches[k], flowB)) &&
    sameEnd(a, flowA, b, flowB)
  );
}

const sameRectangle = (a: Region, b: Region) => a.x === b.x && a.width === b.width && a.top === b.top;

function sameGives(a: readonly Give[], b: readonly Give[]): boolean {
  return (
    a.length === b.length &&
    a.every((give, k) => {
      const { kind, paragraph, lines, reason } = b[k];
      const isSame = give.kind === kind && give.paragraph === paragraph && give.lines === lines;
      return isSame && give.reason?.fault === reason?.fault && give.reason?.after === reason?.after;
    })
  );
}

function sameStretch(a: Stretch, flowA: Flow, b: Stretch, flowB: Flow): boolean {
  return (
    a.from === b.from &&
    a.to === b.to &&
    a.start === b.start &&
    a.gap === b.gap &&
    a.setting.paragraph === b.setting.paragraph &&
    flowA.items[a.item].source === flowB.items[b.item].source
  );
}

/** A space break at the foot is set by what comes after it. */
function sameEnd(a: FilledRegion, flowA: Flow, b: FilledRegion, flowB: Flow): boolean {
  return a.endLine === b.endLine && flowA.items[a.endItem]?.source === flowB.items[b.endItem]?.source;
}
