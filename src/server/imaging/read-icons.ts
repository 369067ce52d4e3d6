import decodeIco from 'decode-ico';

/** The largest picture that an ICO file holds. @throws Error where it holds none, or is broken */
export function largestIcon(bytes: Uint8Array): ReturnType<typeof decodeIco>[number] {
  // A copy: the package reads on in the memory behind the bytes that it is given.
  const [largest] = decodeIco(Uint8Array.from(bytes)).sort((a, b) => b.width - a.width);
  if (!largest) throw new Error('The icon holds no picture.');
  return largest;
}
