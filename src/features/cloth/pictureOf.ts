import { createContext, useContext } from 'react';
import type { ShelvedCloth } from '@/server/cloth';

/** Addresses of the photos of cloths, by name. */
export type ClothPictures = Readonly<Record<string, string>>;

export const PicturesContext = createContext<ClothPictures>({});

/** The address of a cloth’s photo; undefined where it is drawn. */
export const usePictureOf = (fabric: string): string | undefined => useContext(PicturesContext)[fabric];

/** Photos of a shelf; another photo has another address. */
export function picturesOf(projectId: string, shelf: readonly ShelvedCloth[]): ClothPictures {
  const pictured = shelf.filter(({ pictureAt }) => pictureAt !== undefined);
  return Object.fromEntries(
    pictured.map(({ name, pictureAt }) => [
      name,
      `/api/projects/${projectId}/cloths/picture?${new URLSearchParams({ cloth: name, at: String(pictureAt) })}`,
    ]),
  );
}
