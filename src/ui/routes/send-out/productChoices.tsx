// What a person chooses for each product, on its card.
import { useState, type ComponentType } from 'react';
import {
  EBOOK_COVERS,
  EBOOK_LEVELS,
  EBOOK_PICTURES,
  EBOOK_STARTS,
  EBOOK_TABLES,
  EBOOK_USES,
  LEAST_KILOBYTES,
  LEAST_PIXELS,
  MOST_KILOBYTES,
  MOST_PIXELS,
  type EbookSettings,
} from '../../../core/model/products/ebook';
import { COPY_KINDS, type CopyKind } from '../../../core/model/copy/copyKinds';
import type { ProductId } from '../../../core/model/products/products';
import { settingsChosen } from '../../../state/send-out/jobsSlice';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';

const FORMATS: Readonly<Record<CopyKind, string>> = {
  docx: 'Word document',
  md: 'Markdown',
  html: 'HTML',
  txt: 'Plain text',
};

function CopyChoices({ disabled }: { disabled: boolean }) {
  const dispatch = useAppDispatch();
  const { format } = useAppSelector((state) => state.jobs.settings.copy);
  return (
    <Choice
      {...{ label: 'Format', values: COPY_KINDS, names: FORMATS, value: format, disabled }}
      onChoose={(chosen) => dispatch(settingsChosen({ copy: { format: chosen } }))}
    />
  );
}

const LEVELS: Readonly<Record<EbookSettings['level'], string>> = {
  plain: 'Plain: meaning alone',
  dressed: 'Dressed: faces, openers, inks',
};
const STARTS: Readonly<Record<EbookSettings['opensAt'], string>> = {
  cover: 'Its cover',
  front: 'The first page after it',
  text: 'Where the text begins',
};
const COVERS: Readonly<Record<EbookSettings['cover'], string>> = {
  cover: 'Its picture, or one drawn',
  none: 'None',
};
const TABLES: Readonly<Record<EbookSettings['tables'], string>> = {
  rows: 'Stay tables',
  lists: 'Become lists on narrow screens',
};
const USES: Readonly<Record<EbookSettings['use'], string>> = {
  shop: 'For the shop',
  readers: 'For readers',
  keep: 'To keep',
};
const COLOURS: Readonly<Record<EbookSettings['pictures'], string>> = {
  colour: 'In their colours',
  grey: 'In grey, for e-ink',
};

function EbookChoices({ disabled }: { disabled: boolean }) {
  const dispatch = useAppDispatch();
  const settings = useAppSelector((state) => state.jobs.settings.epub);
  const choose = (change: Partial<EbookSettings>) => dispatch(settingsChosen({ epub: { ...settings, ...change } }));
  return (
    <div>
      <Choice
        {...{ label: 'Look', values: EBOOK_LEVELS, names: LEVELS, value: settings.level, disabled }}
        onChoose={(level) => choose({ level })}
      />
      <Choice
        {...{ label: 'Cover', values: EBOOK_COVERS, names: COVERS, value: settings.cover, disabled }}
        onChoose={(cover) => choose({ cover })}
      />
      <Choice
        {...{ label: 'Opens at', values: EBOOK_STARTS, names: STARTS, value: settings.opensAt, disabled }}
        onChoose={(opensAt) => choose({ opensAt })}
      />
      <Choice
        {...{ label: 'Pictures', values: EBOOK_PICTURES, names: COLOURS, value: settings.pictures, disabled }}
        onChoose={(pictures) => choose({ pictures })}
      />
      <WholeNumber
        {...{ label: 'Longest side', unit: 'pixels', least: LEAST_PIXELS, most: MOST_PIXELS, disabled }}
        value={settings.mostPixels}
        onChoose={(mostPixels) => choose({ mostPixels })}
      />
      <WholeNumber
        {...{ label: 'Largest file', unit: 'kB', least: LEAST_KILOBYTES, most: MOST_KILOBYTES, disabled }}
        value={settings.mostKilobytes}
        onChoose={(mostKilobytes) => choose({ mostKilobytes })}
      />
      <Choice
        {...{ label: 'Tables', values: EBOOK_TABLES, names: TABLES, value: settings.tables, disabled }}
        onChoose={(tables) => choose({ tables })}
      />
      <Choice
        {...{ label: 'Named', values: EBOOK_USES, names: USES, value: settings.use, disabled }}
        onChoose={(use) => choose({ use })}
      />
    </div>
  );
}

function Choice<T extends string>({
  label,
  values,
  names,
  value,
  disabled,
  onChoose,
}: {
  readonly label: string;
  readonly values: readonly T[];
  readonly names: Readonly<Record<T, string>>;
  readonly value: T;
  readonly disabled: boolean;
  readonly onChoose: (value: T) => void;
}) {
  return (
    <label className="flex items-center justify-between gap-4 border-t border-hairline py-1">
      {label}
      <select
        className="select select-xs w-56"
        value={value}
        disabled={disabled}
        onChange={(event) => onChoose(event.target.value as T)}
      >
        {values.map((own) => (
          <option key={own} value={own}>
            {names[own]}
          </option>
        ))}
      </select>
    </label>
  );
}

/** What a picture may have at most. What is no such number stays in the field with a sentence, and changes nothing. */
function WholeNumber({
  label,
  unit,
  value,
  least,
  most,
  disabled,
  onChoose,
}: {
  readonly label: string;
  readonly unit: string;
  readonly value: number;
  readonly least: number;
  readonly most: number;
  readonly disabled: boolean;
  readonly onChoose: (value: number) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const number = Number(typed ?? value);
  const isWrong = !Number.isInteger(number) || number < least || number > most;
  return (
    <div className="border-t border-hairline py-1">
      <label className="flex items-center justify-between gap-4">
        {label}
        <span className="flex w-56 shrink-0 items-center gap-2">
          <input
            className="input input-xs w-20 text-right tabular-nums"
            inputMode="numeric"
            value={typed ?? String(value)}
            disabled={disabled}
            aria-invalid={isWrong}
            onChange={(event) => setTyped(event.target.value)}
            onBlur={() => {
              if (isWrong || typed === null) return;
              onChoose(number);
              setTyped(null);
            }}
          />
          {unit}
        </span>
      </label>
      {isWrong && (
        <p role="alert" className="mt-1 text-error">
          A whole number from {least} to {most}; the pictures keep {value}.
        </p>
      )}
    </div>
  );
}

/** Null: nothing is chosen for it. */
export const PRODUCT_CHOICES: Readonly<Record<ProductId, ComponentType<{ disabled: boolean }> | null>> = {
  press: null,
  screen: null,
  epub: EbookChoices,
  copy: CopyChoices,
  project: null,
};
