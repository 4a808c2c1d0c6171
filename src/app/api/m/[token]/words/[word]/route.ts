import { byLink } from '@/server/accounts';
import { database } from '@/server/database';
import { pictureResponse, route } from '@/server/http';
import { id, parse } from '@/server/parse';
import { addressOf } from '@/server/peer';
import { readMakerWordImage } from '@/server/troubles';

export const GET = route(async (request, { token = '', word = '' }) => {
  parse(id(), word);
  const read = () => readMakerWordImage(database(), token, word);
  return pictureResponse(await byLink(database(), addressOf(request.headers), read));
});
