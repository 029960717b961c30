using QRCoder;

namespace YokePair.Web;

/// <summary>An address as a picture that a phone's camera reads.</summary>
internal static class QrPicture
{
    /// <summary>The picture, as SVG.</summary>
    public static string Of(string address)
    {
        using var code = QRCodeGenerator.GenerateQrCode(address, QRCodeGenerator.ECCLevel.M);
        using var drawing = new SvgQRCode(code);
        return drawing.GetGraphic(4);
    }
}
