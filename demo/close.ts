import { randomUUID } from 'node:crypto';
import { ProductService } from '@aspecta/server/close/products';
import { CloseService } from '@aspecta/server/close/service';
import type { CoatKind } from '@aspecta/core/close';
import type { Chapter } from './chapter.ts';
import scenario from './scenario.json' with { type: 'json' };

interface Told {
  coats: {
    hollow: string;
    walls: number;
    product: string;
    celsius: number;
    humidity: number;
    steel: number;
    note: string;
  }[];
}

/** The products of the shop, and what of the hollows is coated. */
export const close: Chapter = async ({ house, owner, id, story, isMain }) => {
  const service = house.the(CloseService);
  if (isMain)
    for (const product of scenario.products)
      await house.the(ProductService).add(owner, { ...product, kind: product.kind as CoatKind, id: randomUUID() });
  const told = (story as { close?: Told }).close;
  if (!told) return;
  for (const { hollow, walls, product, ...read } of told.coats) {
    const { faces, products } = await service.view(owner, id);
    const own = faces.filter(({ cavity }) => cavity === hollow).slice(0, walls);
    if (own.length > 0)
      await service.coat(owner, id, {
        id: randomUUID(),
        faces: own.map((face) => face.id),
        product: products.find(({ name }) => name === product)!.id,
        ...read,
      });
  }
};
