/**
 * Loaded into the worker and the application before anything else: they end when whoever started them is gone, however
 * that came. Otherwise they would go on without a database, writing of it to nobody.
 */
process.channel?.unref();
process.on('disconnect', () => process.exit(1));
