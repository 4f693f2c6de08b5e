// What a person chooses for each product, on its card.
import type { ComponentType } from 'react';
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
    <label className="flex items-center justify-between gap-4 border-t border-hairline py-1">
      Format
      <select
        className="select select-xs w-40"
        value={format}
        disabled={disabled}
        onChange={(event) => dispatch(settingsChosen({ copy: { format: event.target.value as CopyKind } }))}
      >
        {COPY_KINDS.map((kind) => (
          <option key={kind} value={kind}>
            {FORMATS[kind]}
          </option>
        ))}
      </select>
    </label>
  );
}

/** Null: nothing is chosen for it. */
export const PRODUCT_CHOICES: Readonly<Record<ProductId, ComponentType<{ disabled: boolean }> | null>> = {
  press: null,
  screen: null,
  epub: null,
  copy: CopyChoices,
  project: null,
};
