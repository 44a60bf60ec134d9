import * as yup from 'yup';
import {
  assetFactsSchema,
  copyStateSchema,
  received,
  takenPictureSchema,
  takenVideoSchema,
  videoFactsSchema,
} from '../assets';
import { fontFileSchema, fontUsesSchema, takenFontsSchema } from '../fonts';
import { broughtInSchema } from '../templates';
import type { Operation } from './operation';

const listOf = (schema: yup.Schema): yup.Schema => yup.array().of(schema).required();
const nothing = yup.object({});
const name = { name: 'The name of the file, with its ending.' };

/** What is asked about files that come in: pictures, fonts, videos, packages. */
export const FILE_OPERATIONS: readonly Operation[] = [
  { method: 'get', path: '/assets', says: 'All pictures.', answer: listOf(assetFactsSchema) },
  {
    method: 'post',
    path: '/assets',
    says: 'Takes in a picture: PNG, JPEG, WebP or SVG, at most 40 MB.',
    query: name,
    body: 'file',
    answer: takenPictureSchema.concat(yup.object(received)),
    status: 201,
    refusals: [507],
  },
  {
    method: 'get',
    path: '/assets/{id}',
    says: 'The file of a picture.',
    answer: 'image/*',
    refusals: [404, 416],
  },
  {
    method: 'get',
    path: '/fonts',
    says: 'All font files that the House took in.',
    answer: listOf(fontFileSchema),
  },
  {
    method: 'post',
    path: '/fonts',
    says: 'Takes in all fonts of a file: TTF, OTF, WOFF, WOFF2 or a collection, at most 40 MB.',
    query: name,
    body: 'file',
    answer: takenFontsSchema.concat(yup.object(received)),
    status: 201,
    refusals: [507],
  },
  {
    method: 'get',
    path: '/fonts/{id}',
    says: 'A font file as it is kept: plain TrueType or OpenType.',
    answer: 'font/sfnt',
    refusals: [404, 416],
  },
  {
    method: 'put',
    path: '/fonts/{id}',
    says: 'Puts a font in use, in place of the one with its family, weight and slope.',
    answer: nothing,
    refusals: [404],
  },
  {
    method: 'delete',
    path: '/fonts/{id}',
    says: 'Removes a font that nothing is set in.',
    answer: nothing,
    refusals: [404, 409],
  },
  {
    method: 'get',
    path: '/fonts/{id}/uses',
    says: 'What is set in the face that a font belongs to.',
    answer: fontUsesSchema,
    refusals: [404],
  },
  {
    method: 'post',
    path: '/media',
    says: 'Takes in a video of at most 4 GB: MP4, MOV, WebM, MXF; of one that browsers cannot show a viewing copy is made.',
    query: name,
    body: 'file',
    answer: takenVideoSchema.concat(yup.object(received)),
    status: 201,
    refusals: [507],
  },
  {
    method: 'get',
    path: '/media',
    says: 'The videos that are in use, the newest first.',
    answer: yup.array().of(videoFactsSchema.required()).required(),
  },
  {
    method: 'get',
    path: '/media/{id}/copy',
    says: 'How far the viewing copy is of a video that browsers cannot show.',
    answer: copyStateSchema,
    refusals: [404],
  },
  {
    method: 'get',
    path: '/media/{id}/sound',
    says: 'How loud a video or a sound is over its time: a byte for each twenty-fifth of a second, none for one without sound.',
    answer: 'application/octet-stream',
    refusals: [404],
  },
  {
    method: 'get',
    path: '/media/{id}',
    says: 'The file of a video or a sound, or a part of it.',
    answer: '*/*',
    refusals: [404, 416],
  },
  {
    method: 'post',
    path: '/packages',
    says: 'Takes in a template package of at most 200 MB.',
    query: name,
    body: 'file',
    answer: broughtInSchema.concat(yup.object(received)),
    status: 201,
    refusals: [507],
  },
  {
    method: 'options',
    path: '/uploads',
    says: 'What the server takes in pieces (tus 1.0).',
    answer: null,
    status: 204,
  },
  {
    method: 'post',
    path: '/uploads',
    says: 'Begins a file that comes in pieces (tus 1.0); its metadata are `filename` and `kind`: picture, package or video.',
    answer: null,
    status: 201,
    refusals: [507],
  },
  {
    method: 'head',
    path: '/uploads/{id}',
    says: 'How far a file is that comes in pieces (tus 1.0).',
    answer: null,
    status: 200,
  },
  {
    method: 'patch',
    path: '/uploads/{id}',
    says: 'The next piece of a file (tus 1.0). The last is answered with what became of the file.',
    body: 'file',
    answer: yup.object({ ...received, taken: yup.object().required() }),
    refusals: [507],
  },
  {
    method: 'delete',
    path: '/uploads/{id}',
    says: 'Gives up a file that comes in pieces (tus 1.0).',
    answer: null,
    status: 204,
  },
];
