// Findings from what others say of the files that left: a fact about another file than the last one written is no fact.
import type { Finding } from '../model/checks/finding';
import type { OutsideFact, ToldProduct } from '../model/checks/outside';
import type { MadeProduct } from '../model/products/products';
import { findingOf } from './findingOf';
import type { KindsOf } from './runners';

export type OutsideRunner = (fact: OutsideFact, file: MadeProduct) => Pick<Finding, 'message'>[];

const SPEAKERS = { press: 'The press', shop: 'The shop', device: 'A reading device' } as const;

const remark: OutsideRunner = ({ source, page, message }, { fileName }) => {
  const at = page === null ? fileName : `page ${page + 1} of ${fileName}`;
  return [{ message: `${SPEAKERS[source]} on ${at}: ${message}` }];
};

export const OUTSIDE_RUNNERS: Readonly<Record<KindsOf<'outside'>, OutsideRunner>> = { 'outside-remark': remark };

/** `pageOf`: the page on which a place of the copy stands now, -1 when it is gone. */
export function proofOutside(
  products: readonly ToldProduct[],
  pageOf: (place: NonNullable<OutsideFact['place']>) => number,
): Finding[] {
  return products.flatMap(({ made, facts }) =>
    facts
      .filter(({ product, hash }) => product === made.product && hash === made.hash)
      .flatMap((fact) => {
        const place = fact.place ?? { stream: '', block: '', from: 0, to: 0 };
        const page = fact.place === null ? -1 : pageOf(fact.place);
        return (Object.keys(OUTSIDE_RUNNERS) as (keyof typeof OUTSIDE_RUNNERS)[]).flatMap((kind) =>
          OUTSIDE_RUNNERS[kind](fact, made).map((hit) => findingOf({ ...place, ...hit, kind }, page)),
        );
      }),
  );
}
