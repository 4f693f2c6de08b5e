// Whole specs: the six that a book can start from and those kept by name, each as it sets the beginning of this book.
import { useCallback, useEffect, useMemo, useState } from 'react';
import { specSetAs, STARTING_SPECS } from '../../../core/defaults/startingSpecs';
import type { GlyphOutline } from '../../../core/model/composed/displayList';
import type { Spec } from '../../../core/model/spec/spec';
import {
  applyKeptSpec,
  askSpecimens,
  exportSpec,
  importSpec,
  keepSpec,
  keptSpecs,
  specUnder,
  type KeptSpec,
  type SpecPart,
  type Specimens,
} from '../../../state/spec/keptSpecs';
import { setAs } from '../../../state/spec/specThunks';
import { useAppDispatch } from '../../../state/hooks';
import { PageCanvas } from '../../pageView/PageCanvas';
import { usePictures } from '../../pageView/pageCacheContext';
import { SettingGroup } from '../../components/Setting';
import { useSpec } from './useSetSpec';

const BUTTON = 'btn btn-xs border-base-300 bg-base-100';
/** CSS pixels of a page in a picture. */
const WIDTH = 121;
const PARTS: readonly (readonly [SpecPart, string])[] = [
  ['whole', 'the whole spec'],
  ['page', 'its page'],
  ['type', 'its type'],
];

export function SpecsTopic() {
  const dispatch = useAppDispatch();
  const { spec, readOnly } = useSpec();
  const [kept, setKept] = useState<readonly KeptSpec[]>([]);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    void dispatch(keptSpecs.read()).then(setKept);
  }, [dispatch]);
  const bringIn = async (file: File | undefined) => {
    if (file === undefined) return;
    const read = await dispatch(importSpec(file.name, await file.text()));
    if (typeof read === 'string') setProblem(read);
    else {
      setKept(read);
      setProblem(null);
    }
  };
  return (
    <>
      <SettingGroup title="This book’s spec" aside={spec.name}>
        <KeepForm onKeep={(name, part) => void dispatch(keepSpec(name, part)).then(setKept)} />
        <div className="flex items-center justify-between border-b border-hairline px-3.5 py-1.5">
          <label className={`${BUTTON} cursor-pointer focus-within:outline focus-within:outline-2`}>
            Open a spec file
            <input
              type="file"
              accept=".json"
              className="sr-only"
              aria-label="Spec file"
              onChange={(event) => {
                void bringIn(event.target.files?.[0]);
                event.target.value = '';
              }}
            />
          </label>
        </div>
        {problem && (
          <p role="alert" className="border-b border-hairline px-3.5 py-1 text-[12px] text-error">
            {problem}
          </p>
        )}
      </SettingGroup>
      <Cards
        title="Kept"
        cards={kept.map((one) => ({
          key: one.name,
          name: one.name,
          words: PARTS.find(([part]) => part === one.part)![1],
          spec: specUnder(spec, one),
          isNow: false,
          use: () => setProblem(dispatch(applyKeptSpec(one))),
          more: (
            <>
              <button className={BUTTON} onClick={() => dispatch(exportSpec(one))}>
                As a file
              </button>
              <button className={BUTTON} onClick={() => void dispatch(keptSpecs.drop(one.name)).then(setKept)}>
                Remove
              </button>
            </>
          ),
        }))}
        mayUse={!readOnly}
      />
      <Cards
        title="Starting specs"
        cards={STARTING_SPECS.map((one) => ({
          key: one.key,
          name: one.spec.name,
          words: one.reason,
          spec: specSetAs(spec, one.spec),
          isNow: spec.name === one.spec.name,
          use: () => dispatch(setAs(one.key)),
        }))}
        mayUse={!readOnly}
      />
    </>
  );
}

function KeepForm({ onKeep }: { onKeep: (name: string, part: SpecPart) => void }) {
  const [name, setName] = useState('');
  const [part, setPart] = useState<SpecPart>('whole');
  return (
    <form
      className="space-y-1.5 border-b border-hairline px-3.5 py-1.5"
      onSubmit={(event) => {
        event.preventDefault();
        if (name.trim() === '') return;
        onKeep(name.trim().slice(0, 80), part);
        setName('');
      }}
    >
      <label className="flex items-center justify-between gap-3">
        Keep
        <select
          aria-label="What of it to keep"
          className="setting-select w-[150px]"
          value={part}
          onChange={(event) => setPart(event.target.value as SpecPart)}
        >
          {PARTS.map(([key, words]) => (
            <option key={key} value={key}>
              {words}
            </option>
          ))}
        </select>
      </label>
      <div className="flex items-center justify-between gap-3">
        <label htmlFor="keep-spec-name">under the name</label>
        <span className="flex gap-1.5">
          <input
            id="keep-spec-name"
            className="setting-input w-[92px] text-left"
            value={name}
            onChange={(event) => setName(event.target.value)}
          />
          <button className={BUTTON} disabled={name.trim() === ''}>
            Keep
          </button>
        </span>
      </div>
    </form>
  );
}

interface Card {
  readonly key: string;
  readonly name: string;
  readonly words: string;
  /** The book's spec with it; undefined when it cannot be set. */
  readonly spec: Spec | undefined;
  readonly isNow: boolean;
  readonly use: () => void;
  readonly more?: React.ReactNode;
}

function Cards({ title, cards, mayUse }: { title: string; cards: readonly Card[]; mayUse: boolean }) {
  const pictures = usePictures();
  const shown = useSpecimens(cards.flatMap((card) => (card.spec === undefined ? [] : [card.spec])));
  const outlines = useMemo(() => {
    const map = new Map<string, GlyphOutline>();
    for (const outline of shown?.outlines ?? []) map.set(`${outline.face}:${outline.glyph}`, outline);
    return map;
  }, [shown]);
  const outline = useCallback((face: string, glyph: number) => outlines.get(`${face}:${glyph}`), [outlines]);
  if (cards.length === 0) return null;
  let at = 0;
  return (
    <SettingGroup title={title}>
      {cards.map((card) => {
        const specimen = card.spec === undefined ? undefined : shown?.specimens[at++];
        return (
          <article key={card.key} aria-label={card.name} className="border-b border-hairline px-3.5 py-2">
            <h3 className="flex items-baseline justify-between">
              <span className="font-semibold">{card.name}</span>
              {card.isNow && <span className="text-primary">this book’s</span>}
            </h3>
            <div className="my-1.5 flex min-h-[150px] items-start gap-px bg-base-200">
              {specimen?.lists.map((list, k) => (
                <PageCanvas
                  key={k}
                  list={list}
                  outlines={outline}
                  width={WIDTH}
                  pictures={pictures}
                  label={`Page ${k + 1} of this book as ${card.name}`}
                />
              ))}
              {specimen === undefined && <p className="p-3 text-[12px] text-quiet">Being composed …</p>}
            </div>
            <p className="text-[12px] text-quiet">{card.words}</p>
            <p className="mt-1.5 flex gap-1.5">
              <button className={BUTTON} disabled={!mayUse || card.spec === undefined} onClick={card.use}>
                Use this spec
              </button>
              {card.more}
            </p>
          </article>
        );
      })}
    </SettingGroup>
  );
}

/** Pages under each spec; composed anew when the book's spec or a kept one changes, null until they are there. */
function useSpecimens(specs: readonly Spec[]): Specimens | null {
  const dispatch = useAppDispatch();
  const key = JSON.stringify(specs);
  const [made, setMade] = useState<{ readonly key: string; readonly of: Specimens } | null>(null);
  useEffect(() => {
    const stop = new AbortController();
    void dispatch(askSpecimens(JSON.parse(key) as Spec[], stop.signal)).then(
      (of) => of !== null && !stop.signal.aborted && setMade({ key, of }),
    );
    return () => stop.abort();
  }, [dispatch, key]);
  return made?.key === key ? made.of : null;
}
