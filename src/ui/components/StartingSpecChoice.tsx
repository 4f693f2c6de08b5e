// Which of the starting specs a book is set as. Choosing one sets everything of it, in one step that undo takes back.
import { STARTING_SPECS, type StartingKey } from '../../core/defaults/startingSpecs';
import { setAs } from '../../state/spec/specThunks';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import { ChoiceSetting } from './Setting';

export function StartingSpecChoice() {
  const dispatch = useAppDispatch();
  const readOnly = useAppSelector((state) => state.book.readOnly);
  const name = useAppSelector((state) => state.book.book?.spec.name);
  const starting = STARTING_SPECS.find(({ spec }) => spec.name === name);
  return (
    <ChoiceSetting
      label="Starting spec"
      value={starting?.key ?? ''}
      disabled={readOnly}
      note={starting?.reason}
      choices={[
        ...(starting === undefined ? [['', name ?? ''] as const] : []),
        ...STARTING_SPECS.map(({ key, spec }) => [key, spec.name] as const),
      ]}
      onChange={(to) => to !== '' && dispatch(setAs(to as StartingKey))}
    />
  );
}
