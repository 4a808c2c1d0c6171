import { database } from '@/server/database';
import { pictureResponse, route } from '@/server/http';
import { id, parse } from '@/server/parse';
import { readMakerPhoto } from '@/server/photos';

export const GET = route(async (_request, { token = '', photo = '' }) => {
  parse(id(), photo);
  return pictureResponse(await readMakerPhoto(database(), token, photo));
});
