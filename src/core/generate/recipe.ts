/** What a generated block is made from: kept with the block, so that it can be made again with other figures. */
export type Recipe =
  | RosetteRecipe
  | GridRecipe
  | StarRecipe
  | PlateRecipe
  | ClamshellRecipe
  | FramedDiamondRecipe
  | BeamsRecipe
  | DiscRecipe;

interface RecipeBase {
  /** Names of fabrics; each generator says which patches take which. Used in turn when there are too few. */
  readonly fabrics: readonly string[];
}

/** Hexagons in rings round one; ring k takes fabric k. */
export interface RosetteRecipe extends RecipeBase {
  readonly kind: 'rosette';
  readonly edgeMm: number;
  readonly rings: number;
}

/** Squares, or squares in turn with half-square triangles: fabrics for squares (two), then for the triangles (two). */
export interface GridRecipe extends RecipeBase {
  readonly kind: 'grid';
  readonly edgeMm: number;
  readonly columns: number;
  readonly rows: number;
  readonly triangles: 'none' | 'every-other';
}

/**
 * Diamonds round a point. Six points may have a ring of diamonds and half hexagons round them, eight points squares
 * and triangles set in. Fabrics: the diamonds in turn (two), the ring or the squares, the rim or the triangles.
 */
export interface StarRecipe extends RecipeBase {
  readonly kind: 'star';
  readonly points: number;
  readonly edgeMm: number;
  readonly surround: 'none' | 'set-in';
}

/** Blades in a ring, in turn of fabrics; a centre disc (last fabric) is appliquéd over their raw bases. */
export interface PlateRecipe extends RecipeBase {
  readonly kind: 'plate';
  readonly blades: number;
  readonly innerMm: number;
  readonly outerMm: number;
  readonly tip: 'flat' | 'pointed' | 'round';
  readonly centre: 'yes' | 'no';
}

/** Clamshells in rows that nest in each other; row k takes fabric k. */
export interface ClamshellRecipe extends RecipeBase {
  readonly kind: 'clamshell';
  readonly widthMm: number;
  readonly columns: number;
  readonly rows: number;
}

/** A tall diamond framed by rounds of slanted strips, left and right handed; round k takes fabric k. */
export interface FramedDiamondRecipe extends RecipeBase {
  readonly kind: 'framed-diamond';
  readonly widthMm: number;
  readonly heightMm: number;
  readonly stripMm: number;
  readonly rounds: number;
}

/** Six equal wedges of a thin diamond, a kite and two pairs of wings round a hexagon: fabrics in that order, hexagon last. */
export interface BeamsRecipe extends RecipeBase {
  readonly kind: 'beams';
  readonly edgeMm: number;
  readonly reachMm: number;
  readonly diamondMm: number;
}

/** Wedges of a disc in turn of fabrics; half a disc for the edge of a setting. */
export interface DiscRecipe extends RecipeBase {
  readonly kind: 'disc';
  readonly wedges: number;
  readonly radiusMm: number;
  readonly portion: 'whole' | 'half';
}
