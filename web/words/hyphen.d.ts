declare module "hyphen/*";
