// Searches kept by name: picked from a list, kept under a name, dropped.
import { useCallback } from 'react';
import { useAppDispatch } from '../../../../state/hooks';
import { keptSearches, type KeptSearch } from '../../../../state/copy/keptSearches';
import { KeptByName } from '../../../components/KeptByName';

interface Props {
  readonly search: Omit<KeptSearch, 'name'>;
  readonly isAsked: boolean;
  readonly onPick: (search: KeptSearch) => void;
}

export function KeptSearches({ search, isAsked, onPick }: Props) {
  const dispatch = useAppDispatch();
  const read = useCallback(() => dispatch(keptSearches.read()), [dispatch]);
  return (
    <KeptByName
      label="Kept searches"
      nameLabel="Name of the search"
      none="no search kept"
      some="kept searches"
      keepWords="Keep this"
      suggested={search.words.slice(0, 40)}
      mayKeep={isAsked}
      mayUse
      read={read}
      keep={(name) => dispatch(keptSearches.keep({ ...search, name }))}
      drop={(name) => dispatch(keptSearches.drop(name))}
      onPick={onPick}
    />
  );
}
