// A hit becomes a finding.
import { CHECKS } from '../model/checks/checks';
import type { Finding, Hit } from '../model/checks/finding';

/** A hit becomes a finding in this one way. */
export const findingOf = (hit: Hit, page: number): Finding => ({
  ...hit,
  grade: hit.grade ?? CHECKS[hit.kind].grade,
  page,
});
