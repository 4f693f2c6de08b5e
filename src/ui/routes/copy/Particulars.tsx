// The particulars: the book's own facts, typed once, read by display pages, furniture and metadata.
import { Plus, X } from 'lucide-react';
import type { Particulars as Facts, Person } from '../../../core/model/copy/book';
import { LANGUAGES } from '../../../core/model/copy/languages';
import { setParticulars } from '../../../state/book/bookThunks';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';
import { CoverField } from './CoverField';
import { TextField } from '../../components/TextField';

const ROLES: Readonly<Record<Person['role'], string>> = {
  author: 'author',
  editor: 'editor',
  translator: 'translator',
  illustrator: 'illustrator',
  foreword: 'foreword by',
};

type TextKey = NonNullable<{ [K in keyof Facts]: Facts[K] extends string | undefined ? K : never }[keyof Facts]>;

const GROUPS: readonly { readonly title: string; readonly fields: readonly [TextKey, string, string?][] }[] = [
  {
    title: 'The work',
    fields: [
      ['title', 'Title'],
      ['subtitle', 'Subtitle'],
      ['shortTitle', 'Short title', 'For running heads, where the title is too long for them.'],
      ['series', 'Series'],
    ],
  },
  {
    title: 'The edition',
    fields: [
      ['publisher', 'Publisher'],
      ['place', 'Place'],
      ['year', 'Year'],
      ['edition', 'Edition, printing'],
      ['isbnPrint', 'ISBN, print'],
      ['isbnEbook', 'ISBN, ebook'],
      ['rights', 'Rights', 'Left empty, the imprint page says: copyright, year, author.'],
      ['credits', 'Credits'],
    ],
  },
  {
    title: 'For shops and libraries',
    fields: [
      ['description', 'Description', 'In the data of the ebook, not in its text.'],
      ['subjects', 'Subjects', 'Parted by semicolons.'],
      ['printAddress', 'Printed book at', 'An address of the web, for the imprint page of the ebook.'],
    ],
  },
];

const LONG: ReadonlySet<TextKey> = new Set<TextKey>(['rights', 'credits', 'description']);

export function Particulars() {
  const dispatch = useAppDispatch();
  const { particulars } = useAppSelector((state) => state.book.book)!;
  const readOnly = useAppSelector((state) => state.book.readOnly);
  const set = <K extends keyof Facts>(key: K, value: Facts[K], name: string) =>
    dispatch(setParticulars(key, value, name));
  const setPerson = (at: number, person: Person | null) => {
    const people = person === null ? particulars.people.toSpliced(at, 1) : particulars.people.toSpliced(at, 1, person);
    set('people', people, 'People');
  };
  return (
    <section aria-label="Particulars" className="min-w-0 grow overflow-y-auto bg-base-100">
      <form className="mx-auto max-w-[620px] space-y-6 px-6 pb-20 pt-6" onSubmit={(event) => event.preventDefault()}>
        <div>
          <h2 className="text-[16px] font-semibold">Particulars</h2>
          <p className="text-quiet">
            Typed once here; title page, imprint, running heads and the files’ own data read them.
          </p>
        </div>
        {GROUPS.map((group) => (
          <fieldset key={group.title} className="space-y-1.5" disabled={readOnly}>
            <legend className="mb-2 font-semibold">{group.title}</legend>
            {group.fields.map(([key, label, hint]) => (
              <TextField
                key={key}
                label={label}
                hint={hint}
                isLong={LONG.has(key)}
                maxLength={LIMITS[key] ?? 200}
                value={particulars[key] ?? ''}
                onChange={(value) => set(key, value, label)}
              />
            ))}
            {group.title === 'For shops and libraries' && <CoverField />}
            {group.title === 'The work' && (
              <>
                {particulars.people.map((person, index) => (
                  <PersonRow key={index} index={index} person={person} onChange={(next) => setPerson(index, next)} />
                ))}
                <div className="pl-[144px]">
                  <button
                    type="button"
                    className="btn btn-xs"
                    onClick={() => set('people', [...particulars.people, { name: '', role: 'author' }], 'Person added')}
                  >
                    <Plus size={13} aria-hidden /> Person
                  </button>
                </div>
                <div className="grid grid-cols-[132px_minmax(0,1fr)] items-center gap-x-3">
                  <label htmlFor="language" className="text-right">
                    Language
                  </label>
                  <select
                    id="language"
                    className="form-field"
                    value={particulars.language}
                    onChange={(event) => set('language', event.target.value, 'Language')}
                  >
                    {Object.entries(LANGUAGES).map(([tag, name]) => (
                      <option key={tag} value={tag}>
                        {name}
                      </option>
                    ))}
                  </select>
                </div>
              </>
            )}
          </fieldset>
        ))}
      </form>
    </section>
  );
}

/** Longest texts, where they differ from 200 characters: those of the schema of a book. */
const LIMITS: Partial<Record<TextKey, number>> = {
  title: 400,
  subtitle: 400,
  rights: 2000,
  credits: 2000,
  description: 4000,
  subjects: 1000,
  printAddress: 2000,
  year: 20,
  isbnPrint: 40,
  isbnEbook: 40,
};

function PersonRow({
  person,
  index,
  onChange,
}: {
  person: Person;
  index: number;
  onChange: (person: Person | null) => void;
}) {
  return (
    <div className="grid grid-cols-[min(132px,22%)_minmax(120px,1fr)_112px_26px] items-center gap-x-3">
      <span className="text-right">{index === 0 ? 'People' : ''}</span>
      <input
        className="form-field"
        aria-label={`Name of person ${index + 1}`}
        maxLength={200}
        value={person.name}
        onChange={(event) => onChange({ ...person, name: event.target.value })}
      />
      <select
        className="form-field"
        aria-label={`Role of person ${index + 1}`}
        value={person.role}
        onChange={(event) => onChange({ ...person, role: event.target.value as Person['role'] })}
      >
        {Object.entries(ROLES).map(([role, name]) => (
          <option key={role} value={role}>
            {name}
          </option>
        ))}
      </select>
      <button
        type="button"
        className="btn btn-ghost btn-xs btn-square"
        aria-label={`Remove person ${index + 1}`}
        onClick={() => onChange(null)}
      >
        <X size={13} />
      </button>
    </div>
  );
}
