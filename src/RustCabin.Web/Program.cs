using RustCabin.Web;

return await Cabin.Run(args);
