// The formatting that is looked for: a character style, a change by hand, or a value that text is set with.
import { LANGUAGES } from '../../../../core/model/copy/languages';
import { FAMILY_NAMES } from '../../../../core/defaults/familyNames';
import type { Spec } from '../../../../core/model/spec/spec';
import { useAppSelector } from '../../../../state/hooks';
import { Choice } from './FindFields';

const BY_HAND = [
  ['touch:italic', 'Italic set by hand'],
  ['touch:bold', 'Bold set by hand'],
  ['touch:underline', 'Underlined by hand'],
  ['touch:strike', 'Struck by hand'],
  ['touch:face', 'A face by hand'],
  ['touch:size', 'A size by hand'],
  ['touch:colour', 'A colour by hand'],
] as const;

const VALUES = [
  ['value:size:', 'A size'],
  ['value:face:', 'A face'],
  ['value:ink:', 'An ink'],
  ['value:language:', 'A language'],
] as const;

interface Props {
  readonly look: string;
  readonly onChange: (look: string) => void;
}

export function ValueField({ look, onChange }: Props) {
  const spec = useAppSelector((state) => state.book.book?.spec);
  const characters = Object.entries(spec?.characterStyles ?? {}).map(
    ([tag, one]) => [`style:${tag}`, one.name] as const,
  );
  const kind = VALUES.find(([key]) => look.startsWith(key))?.[0];
  const said = kind === undefined ? '' : look.slice(kind.length);
  return (
    <>
      <Choice
        label="With formatting"
        none="any"
        value={kind ?? look}
        choices={[...characters, ...BY_HAND, ...VALUES]}
        onChange={onChange}
      />
      {kind === 'value:size:' && (
        <label className="flex items-center justify-between gap-3">
          Size in points
          <input
            className="setting-input w-20"
            inputMode="decimal"
            value={said}
            placeholder="16"
            aria-invalid={said !== '' && !(Number(said.replace(',', '.')) > 0)}
            onChange={(event) => onChange(kind + event.target.value)}
          />
        </label>
      )}
      {kind === 'value:face:' && (
        <Choice
          label="Face"
          none="choose …"
          value={said}
          choices={familiesOf(spec)}
          onChange={(to) => onChange(kind + to)}
        />
      )}
      {kind === 'value:ink:' && (
        <Choice
          label="Ink"
          none="choose …"
          value={said}
          choices={inksOf(spec)}
          onChange={(to) => onChange(kind + to)}
        />
      )}
      {kind === 'value:language:' && (
        <Choice
          label="Language"
          none="choose …"
          value={said}
          choices={Object.entries(LANGUAGES)}
          onChange={(to) => onChange(kind + to)}
        />
      )}
    </>
  );
}

/** Families that ship, and those that the book uses besides. */
function familiesOf(spec: Spec | undefined): readonly (readonly [string, string])[] {
  const used = [spec?.text.face, ...Object.values(spec?.styles ?? {}).map(({ face }) => face)];
  const own = [...new Set(used)].filter((face): face is string => face !== undefined && !(face in FAMILY_NAMES));
  return [...Object.entries(FAMILY_NAMES), ...own.map((face) => [face, face.replace(/^own-/, '')] as const)];
}

function inksOf(spec: Spec | undefined): readonly (readonly [string, string])[] {
  return Object.keys(spec?.inks.sets[spec.inks.set] ?? {}).map((ink) => [ink, ink] as const);
}
