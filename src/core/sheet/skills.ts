import { BASTE_METHODS } from '../basting';
import { cornerAngle, type Outline } from '../geometry';
import type { Step } from './step';

/** What hands must know for a step; basting methods are skills of their own. */
const SEWING_SKILLS = {
  sharp: 'wrapping sharp points',
  curve: 'papers with curved sides',
  bend: 'folding papers at a bend',
  slide: 'sliding the needle through a fold',
  applique: 'sewing a finished piece onto a background',
} as const;

/** Points below this stick out with a tail, degrees. */
const SHARP_DEG = 50;

/** A skill in words. */
export function sayPlainSkill(skill: string): string {
  if (skill in SEWING_SKILLS) return SEWING_SKILLS[skill as keyof typeof SEWING_SKILLS];
  if (skill in BASTE_METHODS) return BASTE_METHODS[skill as keyof typeof BASTE_METHODS].name.toLowerCase();
  return skill;
}

/** What kind of work a step is, as its standard is learnt: by its method where it bastes. */
export const workOf = (step: Pick<Step, 'kind'> & { readonly method?: string }): string => step.method ?? step.kind; // prettier-ignore

/** Skills that a step asks for. @param outlines of all patches */
export function skillsOf(step: Step, outlines: readonly Outline[]): string[] {
  const skills = new Set<string>();
  if (step.kind === 'applique') skills.add('applique');
  if (step.kind === 'join') {
    if (step.bends > 0) skills.add('bend');
    if (step.chains.some(({ slides }) => slides.length > 0)) skills.add('slide');
  }
  if (step.kind !== 'baste') return [...skills];
  skills.add(step.method);
  for (const patch of step.patches) {
    const outline = outlines[patch];
    if (!outline) continue;
    if (outline.bulges.some((bulge) => bulge !== 0)) skills.add('curve');
    else if (outline.corners.some((_, corner) => cornerAngle(outline, corner) < SHARP_DEG))
      skills.add('sharp');
  }
  return [...skills];
}
