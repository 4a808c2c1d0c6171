import { database } from '@/server/database';
import { byLink } from '@/server/accounts';
import { addressOf } from '@/server/peer';
import { pictureResponse, route } from '@/server/http';
import { id, parse } from '@/server/parse';
import { readMakerPhoto } from '@/server/photos';

export const GET = route(async (request, { token = '', photo = '' }) => {
  parse(id(), photo);
  const read = () => readMakerPhoto(database(), token, photo);
  return pictureResponse(await byLink(database(), addressOf(request.headers), read));
});
