// American English words that the patterns divide otherwise than dictionaries do, or not where they may be, divided by hand.
// A word in `al` stands for its adverb too, any other but those in `ing`, `ed`, `ly` and `ic` for its plural.

const WORDS = `
aca-dem-ic aca-dem-i-cal at-mo-spher-ic driv-el driv-en driv-er driv-ing drive-way ed-i-to-ri-al flag-el-late flag-el-lat-ed
flag-el-lat-ing flag-el-la-tion half-heart-ed half-way not-with-stand-ing strat-o-spher-ic uni-ver-si-ty uni-ver-si-ties

ad-ver-sar-i-al ac-tu-ar-i-al am-bas-sa-do-ri-al ar-mo-ri-al ar-te-ri-al bac-te-ri-al con-spir-a-to-ri-al cu-ra-to-ri-al
dic-ta-to-ri-al di-rec-to-ri-al equa-to-ri-al ex-tra-ter-ri-to-ri-al fac-to-ri-al gu-ber-na-to-ri-al im-me-mo-ri-al
im-pe-ri-al in-quis-i-to-ri-al jan-i-to-ri-al leg-is-la-to-ri-al man-a-ge-ri-al ma-te-ri-al im-ma-te-ri-al me-mo-ri-al
mer-cu-ri-al min-is-te-ri-al mon-i-to-ri-al or-a-to-ri-al pic-to-ri-al pro-fes-so-ri-al sar-to-ri-al sec-re-tar-i-al
sen-a-to-ri-al ter-ri-to-ri-al tu-to-ri-al vis-i-to-ri-al

agrar-i-an an-ti-quar-i-an au-thor-i-tar-i-an bar-bar-i-an cen-te-nar-i-an dis-ci-pli-nar-i-an egal-i-tar-i-an
gram-mar-i-an hu-man-i-tar-i-an li-brar-i-an non-a-ge-nar-i-an oc-to-ge-nar-i-an par-lia-men-tar-i-an pro-le-tar-i-an
sec-tar-i-an sem-i-nar-i-an sep-tu-a-ge-nar-i-an to-tal-i-tar-i-an trin-i-tar-i-an uni-tar-i-an util-i-tar-i-an
veg-e-tar-i-an vet-er-i-nar-i-an

am-a-zo-ni-an bab-y-lo-ni-an bos-to-ni-an cal-e-do-ni-an dra-co-ni-an mac-e-do-ni-an smith-so-ni-an

com-mis-sar-i-at pro-le-tar-i-at sec-re-tar-i-at

at-mo-sphere bio-sphere ion-o-sphere lith-o-sphere mag-ne-to-sphere me-so-sphere pho-to-sphere strat-o-sphere
ther-mo-sphere tro-po-sphere
`;

/** All of them, with their adverbs and plurals. */
export const ENGLISH_DIVISIONS: readonly string[] = WORDS.trim()
  .split(/\s+/)
  .flatMap((word) => {
    if (/(?:ing|ed|ic|ies)$/.test(word)) return [word];
    if (word.endsWith('al')) return [word, `${word}s`, `${word}-ly`];
    return word.endsWith('ty') ? [word] : [word, `${word}s`];
  });

/** By word, the offsets at which it may be divided. */
export function englishExceptions(): Record<string, number[]> {
  return Object.fromEntries(
    ENGLISH_DIVISIONS.map((division) => {
      const parts = division.split('-');
      const at = parts.slice(0, -1).map((_, k) => parts.slice(0, k + 1).join('').length);
      return [parts.join(''), at];
    }),
  );
}
