// What the person looks at: theme, the current spread, the zoom of the desk, the chosen division and topic.
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { TextSelection } from '../../core/model/copy/bookEdit';
import type { SlotName } from '../../core/model/spec/furniture';
import type { FurnitureRole, PageSide } from '../../core/model/spec/pageRoles';
import { bookOpened } from '../book/bookSlice';

export type Theme = 'day' | 'evening';
/** How the desk chooses its scale: a spread fits whole, its width fits, or a scale of its own (1 is actual size). */
export type Zoom = { readonly kind: 'spread' | 'width' } | { readonly kind: 'scale'; readonly scale: number };

export const LAYERS = ['text', 'measures', 'bleed', 'grid', 'canon', 'guides', 'rulers'] as const;
export type Layer = (typeof LAYERS)[number];

/** The slot of furniture that is worked on. */
export interface SlotPlace {
  readonly at: 'head' | 'foot';
  readonly side: PageSide;
  readonly slot: SlotName;
}

/** A control that the search calls: the stage, its label, and the group that it stands in. */
export interface CalledControl {
  readonly stage: 'copy' | 'spec' | 'send-out';
  readonly label: string;
  readonly group?: string;
}

/** The style of the sheet that is opened. */
export interface OpenStyle {
  readonly sort: 'paragraph' | 'character';
  readonly tag: string;
}

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
  /** The style that is open in Spec; null: the list. */
  readonly style: OpenStyle | null;
  /** A control that is to be shown and focused; null: it was. */
  readonly control: CalledControl | null;
  /** Set and page role whose furniture is worked on; an empty set: the book's. And the slot, if any. */
  readonly furnitureSet: string;
  readonly furnitureRole: FurnitureRole;
  readonly slot: SlotPlace | null;
  /** The tool beside the galley; null: none was chosen yet. */
  readonly copyTool: string | null;
  /** What the drawing in Spec shows. */
  readonly layers: readonly Layer[];
  /** Whether the desk shows grid, type area, guides and bleed over its pages. */
  readonly deskMarks: boolean;
  /** The paragraph pointed at on the desk. */
  readonly paragraph: ParagraphPlace | null;
  /** Where the galley stood when it was last scrolled or left; null: it is to go where it is called. */
  readonly galley: GalleyScroll | null;
  /** Where the caret of the galley stood when it was left; null: it was in no text. */
  readonly caret: TextSelection | null;
  /** The caret's place whose page was asked for while the book was being composed: gone to when it is. Null: none, or a person went elsewhere. */
  readonly awaited: TextSelection | null;
  /** Text to be gone to in the galley; an object of its own for each call. */
  readonly text: TextSelection | null;
  /** A place brought into view in the galley without the caret; an object of its own for each call. */
  readonly shownText: ParagraphPlace | null;
  /** Stretches of text that a panel of Copy points at. */
  readonly places: readonly ShownPlace[];
}

/** The row at the head of the galley. */
export interface GalleyScroll {
  readonly division: string;
  readonly block: string;
  /** Pixels from the head of the view down to the row, and so far the galley was scrolled. */
  readonly off: number;
  readonly top: number;
}

/** A stretch of a block's text, marked in the galley. */
export interface ShownPlace {
  readonly block: string;
  readonly from: number;
  /** Infinity: the end of the paragraph. */
  readonly to: number;
  readonly className: 'place-found' | 'place-found place-current' | 'place-goes' | 'place-replaced';
  /** Told on hover. */
  readonly title: string;
  /** What stands there instead. */
  readonly shows?: string;
}

export interface ParagraphPlace {
  readonly stream: string;
  readonly block: string;
  /** The place in its text that was clicked on. */
  readonly offset?: number;
}

const initialState: ViewState = {
  theme: 'day',
  spread: 0,
  drawn: null,
  jump: 0,
  zoom: { kind: 'spread' },
  division: null,
  topic: 'page',
  style: null,
  control: null,
  furnitureSet: '',
  furnitureRole: 'text',
  slot: null,
  copyTool: null,
  layers: ['text', 'measures', 'bleed', 'canon'],
  deskMarks: false,
  paragraph: null,
  galley: null,
  caret: null,
  awaited: null,
  text: null,
  shownText: null,
  places: [],
};

const slice = createSlice({
  name: 'view',
  initialState: initialState as ViewState,
  reducers: {
    themeChosen: (state, action: PayloadAction<Theme>) => ({ ...state, theme: action.payload }),
    spreadReached: (state, action: PayloadAction<number>) => ({
      ...state,
      spread: action.payload,
      awaited: action.payload === state.spread ? state.awaited : null,
    }),
    spreadCalled: (state, action: PayloadAction<number>) => ({
      ...state,
      spread: Math.max(0, action.payload),
      jump: state.jump + 1,
      awaited: null,
    }),
    placeAwaited: (state, action: PayloadAction<TextSelection | null>) => ({ ...state, awaited: action.payload }),
    deskMarksToggled: (state) => ({ ...state, deskMarks: !state.deskMarks }),
    galleyScrolled: (state, action: PayloadAction<GalleyScroll | null>) => ({ ...state, galley: action.payload }),
    zoomChosen: (state, action: PayloadAction<Zoom>) => ({ ...state, zoom: action.payload }),
    divisionChosen: (state, action: PayloadAction<string | null>) => ({ ...state, division: action.payload }),
    paragraphPointed: (state, action: PayloadAction<ParagraphPlace | null>) => ({
      ...state,
      paragraph: action.payload,
    }),
    textCalled: (state, action: PayloadAction<TextSelection>) => ({
      ...state,
      text: { ...action.payload },
      shownText: null,
    }),
    caretLeft: (state, action: PayloadAction<TextSelection | null>) => ({ ...state, caret: action.payload }),
    textShown: (state, action: PayloadAction<ParagraphPlace | null>) => ({ ...state, shownText: action.payload }),
    placesShown: (state, action: PayloadAction<readonly ShownPlace[]>) => ({ ...state, places: action.payload }),
    spreadDrawn: (state, action: PayloadAction<number | null>) => ({ ...state, drawn: action.payload }),
    layersShown: (state, action: PayloadAction<readonly Layer[]>) => ({ ...state, layers: action.payload }),
    styleOpened: (state, action: PayloadAction<OpenStyle | null>) => ({ ...state, style: action.payload }),
    controlCalled: (state, action: PayloadAction<CalledControl>) => ({ ...state, control: { ...action.payload } }),
    controlReached: (state) => ({ ...state, control: null }),
    layerToggled: (state, { payload }: PayloadAction<Layer>) => ({
      ...state,
      layers: state.layers.includes(payload)
        ? state.layers.filter((layer) => layer !== payload)
        : [...state.layers, payload],
    }),
    topicChosen: (state, action: PayloadAction<string>) => ({ ...state, topic: action.payload, slot: null }),
    furnitureSetChosen: (state, action: PayloadAction<string>) => ({
      ...state,
      furnitureSet: action.payload,
      slot: null,
    }),
    furnitureRoleChosen: (state, action: PayloadAction<FurnitureRole>) => ({
      ...state,
      furnitureRole: action.payload,
      slot: null,
    }),
    copyToolChosen: (state, action: PayloadAction<string>) => ({ ...state, copyTool: action.payload }),
    slotChosen: (state, action: PayloadAction<SlotPlace | null>) => ({ ...state, slot: action.payload }),
  },
  extraReducers: (builder) =>
    builder.addCase(bookOpened, (state, action) => ({
      ...state,
      spread: 0,
      jump: state.jump + 1,
      topic: 'page',
      style: null,
      control: null,
      furnitureSet: '',
      furnitureRole: 'text',
      slot: null,
      paragraph: null,
      caret: null,
      awaited: null,
      text: null,
      shownText: null,
      places: [],
      division: action.payload.book.divisions.find((division) => division.role === 'chapter')?.id ?? null,
    })),
});

export const {
  themeChosen,
  spreadReached,
  spreadCalled,
  zoomChosen,
  galleyScrolled,
  deskMarksToggled,
  divisionChosen,
  topicChosen,
  layerToggled,
  styleOpened,
  controlCalled,
  controlReached,
  furnitureSetChosen,
  furnitureRoleChosen,
  slotChosen,
  copyToolChosen,
  layersShown,
  spreadDrawn,
  paragraphPointed,
  textCalled,
  textShown,
  caretLeft,
  placeAwaited,
  placesShown,
} = slice.actions;
export const viewReducer = slice.reducer;
