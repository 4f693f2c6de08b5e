// Looks for what is asked, a moment after the last change of it or of the book.
import { useEffect, useRef, useState } from 'react';
import type { FindHit, FindQuery } from '../../../../core/model/answers/find';
import { findInBook } from '../../../../state/copy/findThunks';
import { useAppDispatch, useAppSelector } from '../../../../state/hooks';

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
  const revision = useAppSelector((state) => state.book.revision);
  const [answer, setAnswer] = useState<Search['answer']>(null);
  const [running, setRunning] = useState<Search['running']>(null);
  const isAsked = isSomethingAsked(query);
  /** The question that was answered last. */
  const asked = useRef('');
  useEffect(() => {
    let isCurrent = true;
    let isStopped = false;
    let stop = () => undefined as void;
    const timer = setTimeout(() => {
      const search = dispatch(findInBook(query, (share) => isCurrent && setRunning({ share, stop: () => stop() })));
      stop = () => {
        isStopped = true;
        search.stop();
        setRunning(null);
      };
      void search.result.then((found) => {
        if (!isCurrent) return;
        setRunning(null);
        setAnswer(isAsked && !isStopped ? found : null);
        // Another wording of what is put in its place leaves the places as they are.
        const question = `${revision} ${JSON.stringify({ ...query, put: null })}`;
        if (question !== asked.current) onAnswer();
        asked.current = question;
      });
    }, REST);
    return () => {
      isCurrent = false;
      clearTimeout(timer);
      stop();
    };
  }, [dispatch, query, isAsked, revision, onAnswer]);
  return { answer, running };
}

export const isSomethingAsked = ({ words, look, style }: FindQuery): boolean =>
  words !== '' || look !== null || style !== null;
