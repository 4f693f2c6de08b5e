// What the person looks at: theme, the current spread, the zoom of the desk, the chosen division and topic.
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { TextSelection } from '../core/model/bookEdit';
import { bookOpened } from './bookSlice';

export type Theme = 'day' | 'evening';
/** How the desk chooses its scale: a spread fits whole, its width fits, or a scale of its own (1 is actual size). */
export type Zoom = { readonly kind: 'spread' | 'width' } | { readonly kind: 'scale'; readonly scale: number };

export const LAYERS = ['text', 'measures', 'grid', 'canon', 'guides', 'rulers'] as const;
export type Layer = (typeof LAYERS)[number];

export interface ViewState {
  readonly theme: Theme;
  /** Spread in view, from 0. */
  readonly spread: number;
  /** Spread on the drawing in Spec, where that is another than the one in view; null: it is that, or there is no drawing. */
  readonly drawn: number | null;
  /** Grows when the view must go to the spread; scrolling by hand does not change it. */
  readonly jump: number;
  readonly zoom: Zoom;
  /** Division shown in Copy; null for the particulars. */
  readonly division: string | null;
  readonly topic: string;
  /** What the drawing in Spec shows. */
  readonly layers: readonly Layer[];
  /** The paragraph pointed at on the desk. */
  readonly paragraph: ParagraphPlace | null;
  /** Text to be gone to in the galley; an object of its own for each call. */
  readonly text: TextSelection | null;
  /** Stretches of text that a panel of Copy points at. */
  readonly places: readonly ShownPlace[];
}

/** A stretch of a block's text, marked in the galley. */
export interface ShownPlace {
  readonly block: string;
  readonly from: number;
  /** Infinity: the end of the paragraph. */
  readonly to: number;
  readonly className: 'place-found' | 'place-goes' | 'place-replaced';
  /** Told on hover. */
  readonly title: string;
  /** What stands there instead. */
  readonly shows?: string;
}

export interface ParagraphPlace {
  readonly stream: string;
  readonly block: string;
}

const initialState: ViewState = {
  theme: 'day',
  spread: 0,
  drawn: null,
  jump: 0,
  zoom: { kind: 'spread' },
  division: null,
  topic: 'page',
  layers: ['text', 'measures', 'canon'],
  paragraph: null,
  text: null,
  places: [],
};

const slice = createSlice({
  name: 'view',
  initialState: initialState as ViewState,
  reducers: {
    themeChosen: (state, action: PayloadAction<Theme>) => ({ ...state, theme: action.payload }),
    spreadReached: (state, action: PayloadAction<number>) => ({ ...state, spread: action.payload }),
    spreadCalled: (state, action: PayloadAction<number>) => ({
      ...state,
      spread: Math.max(0, action.payload),
      jump: state.jump + 1,
    }),
    zoomChosen: (state, action: PayloadAction<Zoom>) => ({ ...state, zoom: action.payload }),
    divisionChosen: (state, action: PayloadAction<string | null>) => ({ ...state, division: action.payload }),
    paragraphPointed: (state, action: PayloadAction<ParagraphPlace | null>) => ({
      ...state,
      paragraph: action.payload,
    }),
    textCalled: (state, action: PayloadAction<TextSelection>) => ({ ...state, text: { ...action.payload } }),
    placesShown: (state, action: PayloadAction<readonly ShownPlace[]>) => ({ ...state, places: action.payload }),
    spreadDrawn: (state, action: PayloadAction<number | null>) => ({ ...state, drawn: action.payload }),
    layersShown: (state, action: PayloadAction<readonly Layer[]>) => ({ ...state, layers: action.payload }),
    topicChosen: (state, action: PayloadAction<string>) => ({ ...state, topic: action.payload }),
  },
  extraReducers: (builder) =>
    builder.addCase(bookOpened, (state, action) => ({
      ...state,
      spread: 0,
      jump: state.jump + 1,
      topic: 'page',
      paragraph: null,
      text: null,
      places: [],
      division: action.payload.book.divisions.find((division) => division.role === 'chapter')?.id ?? null,
    })),
});

export const {
  themeChosen,
  spreadReached,
  spreadCalled,
  zoomChosen,
  divisionChosen,
  topicChosen,
  layersShown,
  spreadDrawn,
  paragraphPointed,
  textCalled,
  placesShown,
} = slice.actions;
export const viewReducer = slice.reducer;
