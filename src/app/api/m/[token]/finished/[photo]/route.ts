import { byLink } from '@/server/accounts';
import { database } from '@/server/database';
import { pictureResponse, route } from '@/server/http';
import { id, parse } from '@/server/parse';
import { addressOf } from '@/server/peer';
import { readMakerFinished } from '@/server/photos';

export const GET = route(async (request, { token = '', photo = '' }) => {
  parse(id(), photo);
  const read = () => readMakerFinished(database(), token, photo);
  return pictureResponse(await byLink(database(), addressOf(request.headers), read));
});
