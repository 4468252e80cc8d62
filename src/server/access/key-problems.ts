import { mostKeys } from '../../contract/shapes/access-key.ts';
import type { Problem } from '../http/problem.ts';

export const noSuchKey: Problem = {
  status: 404,
  title: 'There is no such key',
  detail: 'Nothing was changed. It may have been revoked meanwhile.',
};
export const keyOver: Problem = {
  status: 409,
  title: 'This key has been rotated or revoked already',
  detail: 'Nothing was changed. Rotate the key that took its place, or make another.',
};
export const manyKeys: Problem = {
  status: 409,
  title: `There are ${mostKeys} keys already`,
  detail: 'No key was made. Revoke one that is no longer used.',
};
export const withoutOrigin: Problem = {
  status: 422,
  title: 'A publishable key needs an origin',
  detail: 'Nothing was changed. Name the origins of the pages that will use it, such as https://shop.example.com.',
  fields: [{ pointer: '/origins', message: 'needs one at least' }],
};
