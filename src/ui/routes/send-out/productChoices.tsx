// What a person chooses for each product, on its card.
import { useState, type ComponentType } from 'react';
import {
  EBOOK_LEVELS,
  EBOOK_PICTURES,
  EBOOK_STARTS,
  EBOOK_USES,
  LEAST_PIXELS,
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
  front: 'Its first page',
  text: 'Where the text begins',
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
        {...{ label: 'Opens at', values: EBOOK_STARTS, names: STARTS, value: settings.opensAt, disabled }}
        onChoose={(opensAt) => choose({ opensAt })}
      />
      <Choice
        {...{ label: 'Pictures', values: EBOOK_PICTURES, names: COLOURS, value: settings.pictures, disabled }}
        onChoose={(pictures) => choose({ pictures })}
      />
      <Pixels value={settings.mostPixels} disabled={disabled} onChoose={(mostPixels) => choose({ mostPixels })} />
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

/** Pixels of the longer side of a picture. What is no such number stays in the field with a sentence, and changes nothing. */
function Pixels({
  value,
  disabled,
  onChoose,
}: {
  readonly value: number;
  readonly disabled: boolean;
  readonly onChoose: (value: number) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const number = Number(typed ?? value);
  const isWrong = !Number.isInteger(number) || number < LEAST_PIXELS || number > MOST_PIXELS;
  return (
    <div className="border-t border-hairline py-1">
      <label className="flex items-center justify-between gap-4">
        Longest side
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
          pixels
        </span>
      </label>
      {isWrong && (
        <p role="alert" className="mt-1 text-error">
          A whole number from {LEAST_PIXELS} to {MOST_PIXELS}; the pictures keep {value}.
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
