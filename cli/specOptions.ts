// Lays --spec, --trim, --margins and --type over the starting spec.
import { checkSpec, parseLength, specFromFile, ValueError } from '../src/core/index';
import type { FaceTable } from '../src/core/model/spec/faces';
import type { Length } from '../src/core/model/spec/length';
import { STARTING_SPECS } from '../src/core/defaults/startingSpecs';
import type { Spec } from '../src/core/model/spec/spec';
import { UsageError, type ComposeOptions } from './options';

/** `specFile`: the parsed contents of --spec. Throws UsageError: every fault here is bad usage. */
export function specOf(options: ComposeOptions, specFile: unknown, faces: FaceTable): Spec {
  try {
    const start = startingSpec(options.start);
    let spec = specFile === undefined ? start : specFromFile(specFile, start);
    if (options.trim !== undefined) spec = withTrim(spec, options.trim);
    if (options.margins !== undefined) spec = withMargins(spec, options.margins);
    if (options.type !== undefined) spec = withType(spec, options.type, faces);
    return checkSpec(spec);
  } catch (error) {
    if (error instanceof ValueError) throw new UsageError(error.message);
    throw error;
  }
}

/** A starting spec by its name in small letters, with hyphens. */
function startingSpec(name: string | undefined): Spec {
  if (name === undefined) return STARTING_SPECS[0].spec;
  const keyOf = ({ spec }: { readonly spec: Spec }) => spec.name.toLowerCase().replace(/ /g, '-');
  const found = STARTING_SPECS.find((one) => keyOf(one) === name);
  if (found === undefined) throw new UsageError(`--start ${name} is none of ${STARTING_SPECS.map(keyOf).join(', ')}.`);
  return found.spec;
}

/** `5.5x8.5in`, `148x210mm`, `5.5inx8.5in`: a unit at the end serves both. */
function withTrim(spec: Spec, text: string): Spec {
  const match = /^([^x]+)x([^x]+)$/.exec(text.replace(/px\b/g, 'PX'));
  if (match === null) throw new UsageError(`--trim ${text} is not a size such as 5.5x8.5in.`);
  const [width, height] = [match[1], match[2]].map((part) => part.replace(/PX/g, 'px').trim());
  const unit = /[a-z"]+$/.exec(height)?.[0] ?? '';
  const ownUnit = /[a-z"]$/.test(width);
  const trim = { width: parseLength(ownUnit ? width : width + unit, 'in'), height: parseLength(height, 'in') };
  return { ...spec, page: { ...spec.page, trim } };
}

/** Four lengths, head, foot, back and fore-edge; without a unit they are points. */
function withMargins(spec: Spec, text: string): Spec {
  const parts = text.split(',').map((part): Length => parseLength(part, 'pt'));
  if (parts.length !== 4) throw new UsageError('--margins needs four lengths: HEAD,FOOT,BACK,FOREEDGE.');
  const [head, foot, back, foreEdge] = parts;
  return { ...spec, page: { ...spec.page, margins: { head, foot, back, foreEdge } } };
}

/** `EB Garamond 11/14`: a family, size and leading in points. */
function withType(spec: Spec, text: string, faces: FaceTable): Spec {
  const match = /^(.+?)\s+([\d.]+)\s*\/\s*([\d.]+)$/.exec(text.trim());
  if (match === null)
    throw new UsageError(`--type ${text} is not a face with size and leading, such as "EB Garamond 11/14".`);
  const name = match[1].toLowerCase();
  const face = faces.find((record) => record.familyName.toLowerCase() === name || record.family === name);
  if (face === undefined) {
    const known = [...new Set(faces.map((record) => record.familyName))].join(', ');
    throw new UsageError(`There is no face “${match[1]}”. These ship: ${known}.`);
  }
  const size: Length = { pt: Number(match[2]), unit: 'pt' };
  const leading: Length = { pt: Number(match[3]), unit: 'pt' };
  return { ...spec, text: { ...spec.text, face: face.family, size, leading } };
}
