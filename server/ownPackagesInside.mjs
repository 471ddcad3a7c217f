/* For esbuild: our own packages go into the bundle, everything from the registry stays outside. */
export const ownPackagesInside = {
  name: 'own-packages-inside',
  setup(builder) {
    builder.onResolve({ filter: /^[^./]/ }, (args) =>
      args.path.startsWith('@aspecta/') || args.kind === 'entry-point' ? undefined : { path: args.path, external: true },
    );
  },
};
