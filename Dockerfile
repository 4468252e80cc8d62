# Built with everything, run with what it needs: not as root, and with a file system that is only read.
FROM node:20-bookworm-slim AS build
WORKDIR /app
COPY . .
# The start finds packages and build as they are here, and makes neither again.
RUN npm run build && npm prune --omit=dev --no-audit --no-fund

FROM node:20-bookworm-slim
WORKDIR /app
ENV HOST=0.0.0.0 PORT=4321 SUMMANT_SHOP_PORT=off SUMMANT_STAND_INS=off
COPY --from=build /app ./
USER node
EXPOSE 4321
HEALTHCHECK --interval=10s --timeout=3s --start-period=60s \
  CMD ["node", "-e", "fetch('http://127.0.0.1:4321/readyz').then(({ ok }) => process.exit(ok ? 0 : 1), () => process.exit(1))"]
# By itself and not through npm, so that it hears when it is to stop.
CMD ["node", "--max-semi-space-size=32", "scripts/start.mjs", "--empty"]
