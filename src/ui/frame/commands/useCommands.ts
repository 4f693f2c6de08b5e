// Everything that the search knows: stages, pages, divisions, settings, tools and acts.
import { useMemo } from 'react';
import { useNavigate } from 'react-router';
import { PRODUCT_IDS, PRODUCTS } from '../../../core/model/products/products';
import { editRedone, editUndone } from '../../../state/book/bookSlice';
import { selectRunningOrder } from '../../../state/book/selectors';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';
import {
  controlCalled,
  copyToolChosen,
  deskMarksToggled,
  divisionChosen,
  LAYERS,
  layerToggled,
  type OpenStyle,
  styleOpened,
  type Theme,
  themeChosen,
  topicChosen,
  type Zoom,
  zoomChosen,
} from '../../../state/view/viewSlice';
import type { AppDispatch } from '../../../state/store';
import type { PageSummary } from '../../../worker/typesetClient';
import { useStageFacts } from '../useStageFacts';
import { rankCommands, type Command } from './rank';
import { SETTINGS } from './settingList';
import { callPage } from '../../../state/view/pageThunks';

/** Tools beside the galley, with other words for them. */
const TOOLS = [
  ['division', 'Division', 'role start sink language furniture of a division'],
  ['arrival', 'Arrival', 'import manuscript newer file author’s next file mapping kept states'],
  ['tidy', 'Tidy', 'clean up copy straight quotes double spaces'],
  ['find', 'Find and replace', 'search change words'],
  ['notes', 'Notes of the book', 'footnotes endnotes list'],
  ['lacking', 'Missing characters', 'glyphs fallback face'],
] as const;

interface Hands {
  readonly dispatch: AppDispatch;
  readonly navigate: (to: string) => unknown;
}

function settingCommands({ dispatch, navigate }: Hands, style: OpenStyle | null): Command[] {
  return SETTINGS.map(({ topic, label, group, words }) => ({
    name: group === undefined || group === label ? label : `${group}: ${label.toLowerCase()}`,
    kind: `Spec, ${topic}`,
    words: `${label.toLowerCase()} ${words}`,
    run: () => {
      navigate('spec');
      dispatch(topicChosen(topic));
      if (topic === 'styles' && style === null) dispatch(styleOpened({ sort: 'paragraph', tag: 'TX' }));
      dispatch(controlCalled({ stage: 'spec', label, group }));
    },
  }));
}

function copyCommands({ dispatch, navigate }: Hands): Command[] {
  const tools = TOOLS.map(([tool, name, words]) => ({
    name,
    kind: 'Copy',
    words,
    run: () => {
      navigate('copy');
      dispatch(copyToolChosen(tool));
    },
  }));
  const particulars = {
    name: 'Particulars',
    kind: 'Copy',
    words: 'title author isbn publisher year rights metadata series people',
    run: () => {
      navigate('copy');
      dispatch(divisionChosen(null));
    },
  };
  return [...tools, particulars];
}

function productCommands({ dispatch, navigate }: Hands): Command[] {
  return PRODUCT_IDS.map((id) => ({
    name: PRODUCTS[id].title,
    kind: 'Send out',
    words: `export ${PRODUCTS[id].action.toLowerCase()}`,
    run: () => {
      navigate('send-out');
      dispatch(controlCalled({ stage: 'send-out', label: PRODUCTS[id].action }));
    },
  }));
}

const ZOOMS: readonly (readonly [name: string, words: string, zoom: Zoom])[] = [
  ['Fit the spread', 'zoom view', { kind: 'spread' }],
  ['Fit the width', 'zoom view', { kind: 'width' }],
  ['Actual size', 'zoom 100 percent', { kind: 'scale', scale: 1 }],
];

function viewCommands({ dispatch, navigate }: Hands): Command[] {
  const zooms = ZOOMS.map(([name, words, zoom]) => ({
    name,
    kind: 'Pages',
    words,
    run: () => {
      navigate('pages');
      dispatch(zoomChosen(zoom));
    },
  }));
  const layers = LAYERS.map((layer) => ({
    name: `Show or hide ${layer === 'canon' ? 'canon lines' : layer}`,
    kind: 'Spec, drawing',
    words: `layer view ${layer === 'grid' ? 'baseline grid' : ''}`,
    run: () => {
      navigate('spec');
      dispatch(layerToggled(layer));
    },
  }));
  const marks: Command = {
    name: 'Show or hide grid and guides on pages',
    kind: 'Pages',
    words: 'baseline grid type area guides bleed marks',
    run: () => {
      navigate('pages');
      dispatch(deskMarksToggled());
    },
  };
  return [...zooms, marks, ...layers];
}

function actCommands({ dispatch, navigate }: Hands, theme: Theme): Command[] {
  return [
    { name: 'Undo', kind: 'act', run: () => dispatch(editUndone()) },
    { name: 'Redo', kind: 'act', run: () => dispatch(editRedone()) },
    {
      name: theme === 'day' ? 'Evening colours' : 'Day colours',
      kind: 'act',
      words: 'dark light theme mode',
      run: () => dispatch(themeChosen(theme === 'day' ? 'evening' : 'day')),
    },
    { name: 'To the Shelf', kind: 'act', words: 'close the book all books', run: () => navigate('/') },
  ];
}

/** Pages with that folio, or that number in the book; folios first. */
function pagesCalled(pages: readonly PageSummary[], typed: string, go: (page: number) => void): Command[] {
  const wanted = typed.trim().replace(/^(?:page|folio|p\.)\s+/i, '');
  return pages
    .filter(({ folio, index }) => folio === wanted || String(index + 1) === wanted)
    .sort((a, b) => Number(b.folio === wanted) - Number(a.folio === wanted))
    .map(({ folio, index }) => ({
      name: folio === '' ? `Page ${index + 1}` : `Folio ${folio}`,
      kind: `page ${index + 1} of ${pages.length}`,
      run: () => go(index),
    }));
}

/** Answers what the words typed may mean, the best first: a page by its folio or number goes before all. */
export function useCommands(): (typed: string) => readonly Command[] {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const stages = useStageFacts();
  const rows = useAppSelector(selectRunningOrder);
  const pages = useAppSelector((state) => state.compose.summary?.pages);
  const theme = useAppSelector((state) => state.view.theme);
  const style = useAppSelector((state) => state.view.style);
  return useMemo(() => {
    const hands: Hands = { dispatch, navigate: (to) => void navigate(to) };
    const goToPage = (page: number) => {
      void navigate('pages');
      dispatch(callPage(page));
    };
    const fixed: Command[] = [
      ...stages.map((stage) => ({ name: stage.name, kind: 'stage', run: () => void navigate(stage.path) })),
      ...rows
        .filter((row) => row.firstPage >= 0)
        .map((row) => ({ name: row.name, kind: `page ${row.folio}`, run: () => goToPage(row.firstPage) })),
      ...settingCommands(hands, style),
      ...copyCommands(hands),
      ...productCommands(hands),
      ...viewCommands(hands),
      ...actCommands(hands, theme),
    ];
    return (typed: string) => [...pagesCalled(pages ?? [], typed, goToPage), ...rankCommands(fixed, typed)];
  }, [dispatch, navigate, stages, rows, pages, theme, style]);
}
