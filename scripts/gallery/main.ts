/** `npm run gallery`: every part of the interface in every state, on a page of its own; it is no part of the product. */
import { serveGallery } from './serve';

async function main(): Promise<void> {
  const { url } = await serveGallery(Number(process.env.PORT ?? 0));
  console.log(`Gallery of parts: ${url}`);
  console.log('Add ?look=dark for the dark look, ?text=200 for letters of twice the size.');
}

void main();
