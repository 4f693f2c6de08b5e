// Spec: topics at the left, the page as a dimensioned drawing with the book's own text in the middle, settings at the right.
import { topicChosen } from '../../../state/view/viewSlice';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';
import { formatLength, formatNumber } from '../../../core/measure/units';
import { FAMILY_NAMES } from '../../../core/defaults/familyNames';
import type { Spec } from '../../../core/model/spec/spec';
import { Drawing } from './drawing/Drawing';
import { LayersBar } from './drawing/LayersBar';
import { Gauges } from './Gauges';
import { FurnitureTopic } from './furniture/FurnitureTopic';
import { FacesTopic } from './faces/FacesTopic';
import { InksTopic } from './InksTopic';
import { ContentsTopic } from './ContentsTopic';
import { NotesTopic } from './NotesTopic';
import { NumbersTopic } from './NumbersTopic';
import { OpenersTopic } from './OpenersTopic';
import { PageTopic } from './PageTopic';
import { StylesTopic } from './styles/StylesTopic';
import { SpecsTopic } from './SpecsTopic';
import { SpacingTopic } from './SpacingTopic';
import { TablesTopic } from './TablesTopic';
import { TextTopic } from './TextTopic';
import { useCalledControl } from '../../components/calledControl';
import { ComposeProgress } from '../../components/ComposeProgress';
import { DummyCopy } from '../../components/DummyCopy';
import { selectDummyCount } from '../../../state/book/selectors';

const TOPICS = [
  { key: 'page', name: 'Page', Topic: PageTopic },
  { key: 'text', name: 'Text', Topic: TextTopic },
  { key: 'styles', name: 'Styles', Topic: StylesTopic },
  { key: 'openers', name: 'Openers', Topic: OpenersTopic },
  { key: 'furniture', name: 'Furniture, folios', Topic: FurnitureTopic },
  { key: 'notes', name: 'Notes', Topic: NotesTopic },
  { key: 'numbers', name: 'Numbers', Topic: NumbersTopic },
  { key: 'contents', name: 'Contents, index', Topic: ContentsTopic },
  { key: 'spacing', name: 'Spacing, breaks', Topic: SpacingTopic },
  { key: 'tables', name: 'Tables', Topic: TablesTopic },
  { key: 'inks', name: 'Inks', Topic: InksTopic },
  { key: 'faces', name: 'Faces', Topic: FacesTopic },
  { key: 'specs', name: 'Kept specs', Topic: SpecsTopic },
] as const;

function topicFact(key: (typeof TOPICS)[number]['key'], spec: Spec): string {
  const { trim } = spec.page;
  switch (key) {
    case 'page':
      return `${formatNumber(trim.width.pt, trim.width.unit)} × ${formatNumber(trim.height.pt, trim.height.unit)}`;
    case 'text':
      return `${formatNumber(spec.text.size.pt, 'pt')}/${formatLength(spec.text.leading).replace(' pt', '')}`;
    case 'openers':
      return `line ${spec.openers.textStart}`;
    case 'furniture':
      return Object.keys(spec.furniture.sets).length > 1 ? `${Object.keys(spec.furniture.sets).length} sets` : '';
    case 'numbers':
      return '';
    case 'notes':
      return `${Object.keys(spec.notes.kinds).length} ${Object.keys(spec.notes.kinds).length === 1 ? 'kind' : 'kinds'}`;
    case 'contents':
      return `${spec.contents.levels.length} ${spec.contents.levels.length === 1 ? 'level' : 'levels'}`;
    case 'tables':
      return Object.keys(spec.tables).length > 1 ? `${Object.keys(spec.tables).length} styles` : '';
    case 'inks':
      return `${Object.keys(spec.inks.sets[spec.inks.set] ?? {}).length}`;
    case 'faces':
      return FAMILY_NAMES[spec.text.face] ?? spec.text.face.replace(/^own-/, '');
    case 'styles':
      return `${Object.keys(spec.styles).length}`;
    case 'specs':
      return spec.name;
    case 'spacing':
      return `${spec.pages.linesAtFoot}/${spec.pages.linesAtHead}`;
  }
}

export default function SpecStage() {
  const dispatch = useAppDispatch();
  const spec = useAppSelector((state) => state.book.book)!.spec;
  const chosen = useAppSelector((state) => state.view.topic);
  useCalledControl('spec');
  const topic = TOPICS.find((candidate) => candidate.key === chosen) ?? TOPICS[0];
  return (
    <div className="flex h-full">
      <nav aria-label="Topics" className="flex w-[168px] shrink-0 flex-col border-r border-hairline bg-base-100 pt-2">
        {TOPICS.map(({ key, name }) => (
          <button
            key={key}
            aria-current={key === topic.key ? 'true' : undefined}
            className={`flex justify-between gap-2 border-l-[3px] px-3 py-1.5 text-left ${key === topic.key ? 'border-primary bg-tint font-semibold' : 'border-transparent hover:bg-base-200'}`}
            onClick={() => dispatch(topicChosen(key))}
          >
            <span>{name}</span>
            <span className="whitespace-nowrap font-normal text-quiet">{topicFact(key, spec)}</span>
          </button>
        ))}
      </nav>
      <div className="relative flex min-w-0 grow flex-col bg-base-200">
        <ComposeProgress />
        <NoCopyYet />
        <Drawing />
        <Gauges />
        <LayersBar />
      </div>
      <div className="w-[272px] shrink-0 overflow-y-auto border-l border-hairline bg-base-100 pb-6">
        <topic.Topic />
      </div>
    </div>
  );
}

/** A book without words is specified on dummy copy, which is offered until there are some. */
function NoCopyYet() {
  const words = useAppSelector((state) => state.compose.summary?.words);
  const dummy = useAppSelector(selectDummyCount).paragraphs;
  if (words === undefined || (words > 0 && dummy === 0)) return null;
  return (
    <section aria-label="Dummy copy" className="flex items-center border-b border-hairline bg-base-100 pl-3.5">
      <p className="shrink-0 text-quiet">{dummy > 0 ? 'Set on dummy copy.' : 'There is no copy yet.'}</p>
      <div className="flex min-w-0 grow flex-wrap [&>*]:border-b-0">
        <DummyCopy />
      </div>
    </section>
  );
}
