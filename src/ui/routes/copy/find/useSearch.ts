// Looks for what is asked, a moment after the last change of it or of the book.
import { useEffect, useRef, useState } from 'react';
import { useStore } from 'react-redux';
import type { FindHit, FindQuery } from '../../../../core/model/answers/find';
import { findInBook } from '../../../../state/copy/findThunks';
import { useAppDispatch } from '../../../../state/hooks';
import type { RootState } from '../../../../state/rootState';

/** What is typed is looked for after so many ms of rest. */
const REST = 250;

export interface Search {
  /** Null while nothing is asked, and until the first answer. */
  readonly answer: {
    readonly hits: readonly FindHit[];
    readonly outside: number;
    readonly problem: string | null;
  } | null;
  /** A search that takes its time: how far it is, from 0 to 1. */
  readonly running: { readonly share: number; readonly stop: () => void } | null;
}

/** `onAnswer`: called with each new answer. */
export function useSearch(query: FindQuery, onAnswer: () => void): Search {
  const dispatch = useAppDispatch();
  const store = useStore<RootState>();
  const [answer, setAnswer] = useState<Search['answer']>(null);
  const [running, setRunning] = useState<Search['running']>(null);
  const isAsked = isSomethingAsked(query);
  /** The question that was answered last. */
  const asked = useRef('');
  useEffect(() => {
    let isHere = true;
    /** Grows with each search: what an older one says is not heard any more. */
    let round = 0;
    let timer: ReturnType<typeof setTimeout> | undefined;
    let stop = () => undefined as void;
    const search = () => {
      const { revision } = store.getState().book;
      const own = (round += 1);
      let isStopped = false;
      const isCurrent = () => isHere && own === round;
      const looking = dispatch(findInBook(query, (share) => isCurrent() && setRunning({ share, stop: () => stop() })));
      stop = () => {
        isStopped = true;
        looking.stop();
        setRunning(null);
      };
      void looking.result.then((found) => {
        if (!isCurrent()) return;
        setRunning(null);
        setAnswer(isAsked && !isStopped ? found : null);
        // Another wording of what is put in its place leaves the places as they are.
        const question = `${revision} ${JSON.stringify({ ...query, put: null })}`;
        if (question !== asked.current) onAnswer();
        asked.current = question;
      });
    };
    const searchSoon = () => {
      round += 1;
      stop();
      stop = () => undefined;
      clearTimeout(timer);
      timer = setTimeout(search, REST);
    };
    searchSoon();
    // Listened for and not read while drawing: typing draws the panel again when it has rested, not at each letter.
    let { revision: known } = store.getState().book;
    const leave = store.subscribe(() => {
      const { revision } = store.getState().book;
      if (revision === known) return;
      known = revision;
      if (isAsked) searchSoon();
    });
    return () => {
      isHere = false;
      leave();
      clearTimeout(timer);
      stop();
    };
  }, [dispatch, store, query, isAsked, onAnswer]);
  return { answer, running };
}

export const isSomethingAsked = ({ words, look, style }: FindQuery): boolean =>
  words !== '' || look !== null || style !== null;
