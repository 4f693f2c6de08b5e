// How large a table is and how much dummy copy there is, when they are put in.
import { useState } from 'react';
import type { InsertSizes } from './putInsertable';

/** Most at once. */
const MOST = { paragraphs: 500, rows: 100, columns: 12 };

export interface TypedSizes {
  readonly paragraphs: string;
  readonly rows: string;
  readonly columns: string;
}

type Size = keyof TypedSizes;

const isRight = (typed: TypedSizes, size: Size) => {
  const count = Math.round(Number(typed[size]));
  return count >= 1 && count <= MOST[size];
};

/** What is typed, what comes of it, and how it is changed. */
export function useInsertSizes(): readonly [TypedSizes, InsertSizes, (change: Partial<TypedSizes>) => void] {
  const [typed, setTyped] = useState<TypedSizes>({ paragraphs: '5', rows: '3', columns: '2' });
  const count = (size: Size) => Math.round(Number(typed[size]));
  const isTable = isRight(typed, 'rows') && isRight(typed, 'columns');
  const sizes = {
    table: isTable ? { rows: count('rows'), columns: count('columns') } : null,
    paragraphs: isRight(typed, 'paragraphs') ? count('paragraphs') : null,
  };
  return [typed, sizes, (change) => setTyped({ ...typed, ...change })];
}

interface Props {
  readonly typed: TypedSizes;
  readonly onChange: (change: Partial<TypedSizes>) => void;
}

export function InsertSizeFields({ typed, onChange }: Props) {
  const field = (size: Size, width: string, name?: string) => (
    <input
      aria-label={name}
      aria-invalid={!isRight(typed, size)}
      title={`1 to ${MOST[size]}`}
      className={`${width} border bg-transparent px-1 text-right ${isRight(typed, size) ? 'border-[#b9b1a3]' : 'border-[#9a3324]'}`}
      value={typed[size]}
      onChange={(event) => onChange({ [size]: event.target.value })}
    />
  );
  return (
    <>
      <div className="flex items-center justify-between gap-1 border-t border-[#d8d2c7] px-3 py-1.5">
        <span className="grow">Rows and columns of a table</span>
        {field('rows', 'w-10', 'Rows')}
        {field('columns', 'w-10', 'Columns')}
      </div>
      <label className="flex items-center justify-between border-t border-[#d8d2c7] px-3 py-1.5">
        Paragraphs of dummy copy
        {field('paragraphs', 'w-14')}
      </label>
    </>
  );
}
