import { createHash, randomBytes } from 'node:crypto';
import { mkdir, rename, rm, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import sharp, { type Metadata, type OutputInfo } from 'sharp';
import { LONGEST_SIDE } from '@aspecta/contract/survey';
import { ServerProblem } from '../http/problems.ts';

/** Pixels that are taken at most: larger pictures are scaled down on the device first. */
const MOST_PIXELS = 50_000_000;
const SMALL_SIDE = 360;
const FORMATS = new Set(['jpeg', 'png', 'webp']);

/** Tells whether two pictures are the same one. */
export const hashOf = (bytes: Buffer): string => createHash('sha256').update(bytes).digest('hex');

/** A picture as it is kept: re-encoded, upright, without the place where it was taken. */
export interface KeptPicture {
  file: string;
  hash: string;
  width: number;
  height: number;
}

/** Pixels of pictures, outside the web root, under random names. */
export class PictureStore {
  readonly folder: string;

  constructor(folder: string) {
    this.folder = folder;
  }

  /** @throws ServerProblem `not-a-picture` by content, `too-large` by pixels */
  async keep(bytes: Buffer): Promise<KeptPicture> {
    const told = await headOf(bytes);
    if (!told?.format || !FORMATS.has(told.format))
      throw new ServerProblem(
        'not-a-picture',
        'This file is no JPEG, PNG or WebP picture, whatever its name says.',
        'picture',
      );
    if ((told.width ?? 0) * (told.height ?? 0) > MOST_PIXELS)
      throw new ServerProblem(
        'too-large',
        `This picture has ${Math.round(((told.width ?? 0) * (told.height ?? 0)) / 1e6)} million pixels; scale it down to 50 million or less.`,
        'picture',
      );
    const upright = sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' }).rotate();
    let large: { data: Buffer; info: OutputInfo };
    try {
      large = await upright
        .resize({ width: LONGEST_SIDE, height: LONGEST_SIDE, fit: 'inside', withoutEnlargement: true })
        .jpeg({ quality: 86 })
        .toBuffer({ resolveWithObject: true });
    } catch {
      throw new ServerProblem(
        'not-a-picture',
        'This picture is broken and cannot be opened; take or save it again.',
        'picture',
      );
    }
    const small = await sharp(large.data)
      .resize({ width: SMALL_SIDE, height: SMALL_SIDE, fit: 'inside' })
      .jpeg({ quality: 74 })
      .toBuffer();
    const file = randomBytes(18).toString('hex');
    await mkdir(this.folder, { recursive: true, mode: 0o700 });
    await this.write(`${file}.jpg`, large.data);
    await this.write(`${file}-small.jpg`, small);
    return {
      file,
      hash: hashOf(bytes),
      width: large.info.width,
      height: large.info.height,
    };
  }

  /** The name of a kept picture within the folder. */
  nameOf = (file: string, small: boolean) => `${file}${small ? '-small' : ''}.jpg`;

  path = (file: string, small: boolean) => join(this.folder, this.nameOf(file, small));

  /** Takes the pixels of a picture away for good. */
  async throwAway(file: string): Promise<void> {
    for (const small of [false, true]) await rm(this.path(file, small), { force: true });
  }

  /** Keeps bytes that were kept by a house before; whoever calls has looked at them. */
  async put(name: string, data: Buffer): Promise<void> {
    await mkdir(this.folder, { recursive: true, mode: 0o700 });
    await this.write(name, data);
  }

  /** Written beside and then renamed: a kill leaves no half picture. */
  private async write(name: string, data: Buffer): Promise<void> {
    const path = join(this.folder, name);
    await writeFile(`${path}.new`, data, { flush: true, mode: 0o600 });
    await rename(`${path}.new`, path);
  }
}

/** What the picture says of itself; nothing where it is none. */
async function headOf(bytes: Buffer): Promise<Metadata | undefined> {
  try {
    return await sharp(bytes, { limitInputPixels: false, failOn: 'none' }).metadata();
  } catch {
    return undefined;
  }
}
