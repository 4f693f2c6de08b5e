// Mappings kept by name: what this author's styles become and which Tidy jobs the copy needs, used again for another file.
import { useCallback } from 'react';
import { applyKeptMapping, keepMapping, keptMappings } from '../../../../state/arrival/arrivalThunks';
import { useAppDispatch, useAppSelector } from '../../../../state/hooks';
import { KeptByName } from '../../../components/KeptByName';

export function KeptMappings() {
  const dispatch = useAppDispatch();
  const readOnly = useAppSelector((state) => state.book.readOnly);
  const read = useCallback(() => dispatch(keptMappings.read()), [dispatch]);
  return (
    <div className="border-b border-hairline px-3.5 py-1.5">
      <KeptByName
        label="Use a kept mapping"
        nameLabel="Name of the mapping"
        none="none kept"
        some="use a kept one"
        keepWords="Keep this mapping"
        suggested=""
        mayKeep
        mayUse={!readOnly}
        read={read}
        keep={(name) => dispatch(keepMapping(name))}
        drop={(name) => dispatch(keptMappings.drop(name))}
        onPick={(one) => void dispatch(applyKeptMapping(one))}
      />
    </div>
  );
}
