/**
 * The one rule for papers that come left and right, in the words in which it is said everywhere. A hand is named as the
 * patch is seen from the front; papers are printed as they lie on the wrong side of the cloth.
 */
export const LETTER_RULE = 'letter towards you while you wrap';
