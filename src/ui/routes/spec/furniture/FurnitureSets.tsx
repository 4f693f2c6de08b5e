// The sets of furniture: which one is worked on, which the book has, and where others are in use.
import { useAppDispatch, useAppSelector } from '../../../../state/hooks';
import { furnitureSetChosen } from '../../../../state/view/viewSlice';
import { ChoiceSetting, SettingGroup } from '../../../components/Setting';
import { TextSetting } from '../../../components/TextSetting';
import { useFurniture } from './useFurniture';

export function FurnitureSets() {
  const dispatch = useAppDispatch();
  const { furniture, name, set, readOnly, setSpec } = useFurniture();
  const uses = useAppSelector(
    (state) => state.book.book!.divisions.filter(({ furniture: own }) => own === name).length,
  );
  const names = Object.keys(furniture.sets);
  const isBooks = furniture.set === name;
  const rename = (to: string) => {
    const wanted = to.trim();
    if (wanted === name) return null;
    if (wanted === '' || wanted.length > 60) return 'A set has a name of up to 60 characters.';
    if (names.includes(wanted)) return `There is a set “${wanted}” already.`;
    if (uses > 0) return 'Divisions go by this name: give them another set first.';
    const sets = Object.fromEntries(
      Object.entries(furniture.sets).map(([key, own]) => [key === name ? wanted : key, own]),
    );
    const fault = setSpec('furniture', { set: isBooks ? wanted : furniture.set, sets }, 'Furniture set renamed');
    if (fault === null) dispatch(furnitureSetChosen(wanted));
    return fault;
  };
  const duplicate = () => {
    let number = 2;
    while (names.includes(`${name} ${number}`)) number += 1;
    const made = `${name} ${number}`;
    setSpec('furniture', { ...furniture, sets: { ...furniture.sets, [made]: set } }, 'Furniture set added');
    dispatch(furnitureSetChosen(made));
  };
  const remove = () => {
    const { [name]: _, ...sets } = furniture.sets;
    setSpec('furniture', { ...furniture, sets }, 'Furniture set taken away');
    dispatch(furnitureSetChosen(''));
  };
  return (
    <SettingGroup
      title="Furniture"
      aside={isBooks ? 'of the book' : uses === 1 ? 'of 1 division' : `of ${uses} divisions`}
    >
      {names.length > 1 && (
        <ChoiceSetting
          label="Set"
          value={name}
          choices={names.map((one) => [one, one])}
          onChange={(to) => dispatch(furnitureSetChosen(to))}
        />
      )}
      <TextSetting label="Name" value={name} disabled={readOnly} maxLength={60} onChange={rename} />
      <div className="flex flex-wrap justify-end gap-1.5 px-3.5 py-1.5">
        <button className="btn btn-xs" disabled={readOnly} onClick={duplicate}>
          New set
        </button>
        {!isBooks && (
          <>
            <button
              className="btn btn-xs"
              disabled={readOnly}
              onClick={() => setSpec('furniture.set', name, 'Furniture of the book')}
            >
              Use for the book
            </button>
            <button
              className="btn btn-xs"
              disabled={readOnly || uses > 0}
              title={uses > 0 ? 'Divisions use it' : undefined}
              onClick={remove}
            >
              Remove
            </button>
          </>
        )}
      </div>
      <p className="px-3.5 pb-1 text-[12px] text-quiet">
        Slots are chosen on the drawing. A division takes another set in Copy, under Division.
      </p>
    </SettingGroup>
  );
}
